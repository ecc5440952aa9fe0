import { nth } from '../list'
import { turn } from './polygon'
import type { Vec2 } from './vec2'

/** A point of a body, and how deep it lies, mm. */
export interface DeepPoint {
  readonly at: Vec2
  readonly depthMm: number
}

/** How deep a plane lies at (0, 0), mm, and by how much more for each millimetre along x and y. */
export interface DeepPlane {
  readonly depthMm: number
  readonly perX: number
  readonly perY: number
}

export type Three<T> = readonly [T, T, T]
export const mapThree = <T, U>([a, b, c]: Three<T>, to: (one: T) => U): Three<U> => [to(a), to(b), to(c)]

/** The plane through three points that are not in line. */
export function planeThrough([a, b, c]: Three<DeepPoint>): DeepPlane {
  const [x1, y1, deeper1] = [b.at[0] - a.at[0], b.at[1] - a.at[1], b.depthMm - a.depthMm]
  const [x2, y2, deeper2] = [c.at[0] - a.at[0], c.at[1] - a.at[1], c.depthMm - a.depthMm]
  const area = x1 * y2 - x2 * y1
  const [perX, perY] = [(deeper1 * y2 - deeper2 * y1) / area, (deeper2 * x1 - deeper1 * x2) / area]
  return { depthMm: a.depthMm - perX * a.at[0] - perY * a.at[1], perX, perY }
}

export const depthAt = ({ depthMm, perX, perY }: DeepPlane, [x, y]: Vec2): number => depthMm + perX * x + perY * y

/** The search begins with three points beyond every body, and so far above it that none of its faces is as steep. */
const FAR_MM = 5000
const HIGH_MM = 100 * FAR_MM
/** A point that lies deeper than a plane by less than this lies on it, mm. */
const TOUCHES_MM = 1e-9
const MOST_STEPS = 200

/**
 * The facet on which a body lies when it is pressed down at a place: of all triangles of its points around that place
 * the deepest there, by the points' numbers; null where the place is outside of them all. Source: the simplex method
 * (Dantzig 1951), on the lower side of the convex hull.
 */
export function lowestFacet(of: readonly DeepPoint[], pressed: Vec2): Three<number> | null {
  const far = (x: number, y: number): DeepPoint => ({ at: [x, y], depthMm: -HIGH_MM })
  const points = [...of, far(-FAR_MM, -FAR_MM), far(3 * FAR_MM, -FAR_MM), far(-FAR_MM, 3 * FAR_MM)]
  const pointsOf = (three: Three<number>) => mapThree(three, (i) => nth(points, i))
  let on: Three<number> = [of.length, of.length + 1, of.length + 2]
  for (let step = 0; step < MOST_STEPS; step++) {
    const plane = planeThrough(pointsOf(on))
    const deeper = points.map(({ at, depthMm }) => depthMm - depthAt(plane, at))
    const next = deeper.reduce((best, one, i) => (one > nth(deeper, best) ? i : best), 0)
    if (nth(deeper, next) <= TOUCHES_MM) break
    const [a, b, c] = on
    const choices: Three<number>[] = [
      [next, b, c],
      [a, next, c],
      [a, b, next],
    ]
    on = choices
      .map((three) => ({ three, inside: insideBy(pointsOf(three), pressed) }))
      .reduce((best, one) => (one.inside > best.inside ? one : best)).three
  }
  return on.some((i) => i >= of.length) ? null : on
}

/** The least of a point's three shares in a triangle's corners: negative outside; -Infinity where they are in line. */
function insideBy(corners: Three<DeepPoint>, at: Vec2): number {
  const [a, b, c] = mapThree(corners, (corner) => corner.at)
  const all = turn(a, b, c)
  return Math.abs(all) < 1e-9 ? -Infinity : Math.min(turn(at, b, c) / all, turn(a, at, c) / all, turn(a, b, at) / all)
}
