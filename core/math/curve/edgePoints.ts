import type { Vec2 } from '../vector/vec2'
import { curveLength, parameterAtLength, segmentLength } from './arcLength'
import type { Curve } from './curve'
import type { Segment } from './segment'
import { segmentAt } from './segmentAt'

/** A place on the edge: arc length from the heel, point and unit heading towards the tip, blade frame, mm. */
export interface EdgePoint {
  readonly fromHeelMm: number
  readonly point: Vec2
  readonly heading: Vec2
}

/**
 * The edge point at an arc length from the heel (clamped to the edge's ends). At a corner: the piece that begins there.
 */
export function edgePointAt(curve: Curve, fromHeelMm: number): EdgePoint {
  let before = 0
  for (const [index, segment] of curve.entries()) {
    const size = segmentLength(segment)
    const last = index === curve.length - 1
    if (last || fromHeelMm < before + size) return stationOn(segment, Math.max(0, fromHeelMm - before), before)
    before += size
  }
  throw new RangeError('an edge has at least one piece')
}

function stationOn(segment: Segment, alongMm: number, before: number): EdgePoint {
  const { point, heading } = segmentAt(segment, parameterAtLength(segment, alongMm))
  return { fromHeelMm: before + Math.min(alongMm, segmentLength(segment)), point, heading }
}

/**
 * `count` edge points (two or more) from heel to tip, even in arc length; of one curve they are found once for each
 * count. Source: docs/geometry.md, "Edge curves".
 */
export function evenEdgePoints(curve: Curve, count: number): readonly EdgePoint[] {
  const of = found.get(curve) ?? new Map<number, readonly EdgePoint[]>()
  found.set(curve, of)
  const total = curveLength(curve)
  const points = of.get(count) ?? Array.from({ length: count }, (_, i) => edgePointAt(curve, (total * i) / (count - 1)))
  of.set(count, points)
  return points
}
const found = new WeakMap<Curve, Map<number, readonly EdgePoint[]>>()
