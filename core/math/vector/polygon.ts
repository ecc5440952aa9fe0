import { lastOf, nth } from '../list'
import type { Vec2 } from './vec2'

/** The area of a polygon, whichever way round it runs. */
export function areaOf(polygon: readonly Vec2[]): number {
  const twice = polygon.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = nth(polygon, (i + 1) % polygon.length)
    return sum + x * nextY - nextX * y
  }, 0)
  return Math.abs(twice) / 2
}

/** Twice the area of the triangle of three points, positive where it runs counter-clockwise (y upward). */
export const turn = (a: Vec2, b: Vec2, c: Vec2): number => (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])

const byX = (points: readonly Vec2[]): Vec2[] => [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1])

/** Points in their order without those that lie to the left of what is around them. Source: Andrew, 1979. */
function withoutDents(points: readonly Vec2[]): Vec2[] {
  const hull: Vec2[] = []
  for (const point of points) {
    while (hull.length > 1 && turn(hull.at(-2)!, lastOf(hull), point) >= 0) hull.pop()
    hull.push(point)
  }
  return hull
}

/** The upper side of the convex hull (y upward), by x. */
export const upperHull = (points: readonly Vec2[]): Vec2[] => withoutDents(byX(points))

/** The convex hull, clockwise (y upward). */
export const convexHull = (points: readonly Vec2[]): Vec2[] => {
  const sorted = byX(points)
  return [...withoutDents(sorted).slice(0, -1), ...withoutDents(sorted.reverse()).slice(0, -1)]
}
