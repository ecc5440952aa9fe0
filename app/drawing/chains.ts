import { lastOf } from '#core/math/list'
import type { Vec2 } from '#core/math/vector/vec2'
import { pointList } from './viewport'

/** Lines through points, broken where there is none. */
export function chains(points: readonly (Vec2 | null)[]): string[] {
  const found: Vec2[][] = [[]]
  for (const point of points) {
    if (point === null) found.push([])
    else lastOf(found).push(point)
  }
  return found.filter((chain) => chain.length > 1).map(pointList)
}
