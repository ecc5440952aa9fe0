import { nth } from '../list'
import type { Vec2 } from '../vector/vec2'

/** Where a chain of points crosses itself: the index of the first piece that is crossed by a later one, or null. */
export function crossesItself(points: readonly Vec2[]): number | null {
  for (let i = 0; i + 1 < points.length; i++) {
    for (let j = i + 2; j + 1 < points.length; j++) {
      if (i === 0 && j === points.length - 2 && same(nth(points, 0), nth(points, j + 1))) continue
      if (cross(nth(points, i), nth(points, i + 1), nth(points, j), nth(points, j + 1))) return i
    }
  }
  return null
}

const same = (a: Vec2, b: Vec2): boolean => Math.hypot(a[0] - b[0], a[1] - b[1]) < 1e-9
const side = (a: Vec2, b: Vec2, p: Vec2): number => (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])
/** Whether two pieces cross properly: touching ends do not count. */
const cross = (a: Vec2, b: Vec2, c: Vec2, d: Vec2): boolean =>
  side(a, b, c) * side(a, b, d) < -1e-12 && side(c, d, a) * side(c, d, b) < -1e-12
