import { nth } from '../../math/list'
import { curveLength } from '../../math/curve/arcLength'
import type { Curve } from '../../math/curve/curve'
import { evenEdgePoints, type EdgePoint } from '../../math/curve/edgePoints'
import { turningDeg } from '../../math/curve/turning'
import { upperHull } from '../../math/vector/polygon'
import { add, dot, leftOf, scale, subtract, unit, type Vec2 } from '../../math/vector/vec2'

/** The edge is looked at every so many millimetres. */
const EVERY_MM = 0.4
/** A bend outward of less than this from one place to the next is no hollow to a stone, degrees. */
const LEAST_BEND_DEG = 0.004
/** A stone that hangs over the edge by less than this lies on it, mm. */
const LEAST_HANG_MM = 1e-6

export type Seat = (edgePoint: EdgePoint) => EdgePoint

/** Of each edge, by the width of the stone: where it lies; null where it lies on every place. */
const known = new WeakMap<Curve, Map<number, Seat | null>>()

/**
 * Where a flat stone of a width lies with its middle over a place of an edge: over a hollow not on the place itself but
 * on the secant, the side over its middle of the convex hull of what it covers. Gives that place moved onto the secant,
 * and headed along it; null where the edge has no hollow, so that a stone lies on every place of it. Source:
 * docs/geometry.md, "A hollow under the stone".
 */
export function seatUnder(edge: Curve, widthMm: number): Seat | null {
  const ofEdge = known.get(edge) ?? new Map<number, Seat | null>()
  known.set(edge, ofEdge)
  const before = ofEdge.get(widthMm)
  if (before !== undefined) return before
  const seat = seatOver(edge, widthMm)
  ofEdge.set(widthMm, seat)
  return seat
}

/** Places of an edge as a stone of a width lies over them. */
export function seatedUnder(edge: Curve, widthMm: number, edgePoints: readonly EdgePoint[]): readonly EdgePoint[] {
  const seat = seatUnder(edge, widthMm)
  return seat ? edgePoints.map(seat) : edgePoints
}

function seatOver(edge: Curve, widthMm: number): Seat | null {
  const places = evenEdgePoints(edge, Math.max(3, Math.ceil(curveLength(edge) / EVERY_MM) + 1))
  if (!(widthMm > 0) || !turningDeg(places).some((deg) => deg > LEAST_BEND_DEG)) return null
  const seated = new WeakMap<EdgePoint, EdgePoint>()
  return (edgePoint) => {
    const found = seated.get(edgePoint) ?? secantUnder(places, edgePoint, widthMm)
    seated.set(edgePoint, found)
    return found
  }
}

/**
 * A place of an edge as a flat stone of a width lies with its middle over it: moved onto the secant where it does not
 * touch there. Places: of the whole edge, even in arc length.
 */
export function secantUnder(places: readonly EdgePoint[], edgePoint: EdgePoint, widthMm: number): EdgePoint {
  const { point, heading, fromHeelMm } = edgePoint
  const everyMm = nth(places, 1).fromHeelMm - nth(places, 0).fromHeelMm
  /** Along and outward of the place. */
  const local = (at: Vec2): Vec2 => {
    const away = subtract(at, point)
    return [dot(away, heading), dot(away, leftOf(heading))]
  }
  const under: Vec2[] = [[0, 0]]
  for (const step of [-1, 1]) {
    let last: Vec2 = [0, 0]
    const first = step < 0 ? Math.ceil(fromHeelMm / everyMm) - 1 : Math.floor(fromHeelMm / everyMm) + 1
    for (let i = first; i >= 0 && i < places.length; i += step) {
      const at = local(nth(places, i).point)
      const beyond = Math.abs(at[0]) - widthMm / 2
      if (beyond > 0) {
        const share = 1 - beyond / Math.abs(at[0] - last[0])
        under.push(add(last, scale(subtract(at, last), share)))
        break
      }
      under.push((last = at))
    }
  }
  return onSecant(edgePoint, under)
}

/** Whether a place, the first of what is under the stone, is an end of the edge: all else lies to one side of it. */
const endsAt = (under: readonly Vec2[]): boolean =>
  under.every(([along]) => along >= 0) || under.every(([along]) => along <= 0)

/** A place moved onto the side of the hull that runs over it. */
function onSecant(edgePoint: EdgePoint, under: readonly Vec2[]): EdgePoint {
  const hull = upperHull(under)
  const next = hull.findIndex(([along], i) => i > 0 && along >= 0 && nth(hull, i - 1)[0] < along)
  const [from, to] = [hull[next - 1], hull[next]]
  if (!from || !to) return edgePoint
  const slope = (to[1] - from[1]) / (to[0] - from[0])
  const hangMm = from[1] - slope * from[0]
  // At an end of the edge the stone touches the place, and lies on the same secant where the edge rises from there.
  const risesFromEnd = endsAt(under) && Math.max(from[1], to[1]) > LEAST_HANG_MM
  if (hangMm < LEAST_HANG_MM && !risesFromEnd) return edgePoint
  const { point, heading, fromHeelMm } = edgePoint
  const outward = leftOf(heading)
  return {
    fromHeelMm,
    point: add(point, scale(outward, hangMm)),
    heading: unit(add(heading, scale(outward, slope))),
  }
}
