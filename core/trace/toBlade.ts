import { fromHeel } from '../blade/heel'
import { crossesItself } from '../curve/crossesItself'
import { fitPoints, type FittedCurve } from '../curve/fitPoints'
import type { Finding } from '../problem/problem'
import type { Vec2 } from '../vector/vec2'
import { applied, type Homography } from './homography'

export type TracedEdge =
  | ({
      readonly ok: true
      /** Whether a choil was marked, or a heel that stands free. */
      readonly choil: boolean
    } & FittedCurve)
  | ({ readonly ok: false } & Finding)

/** A traced edge is fitted this closely by default, mm. */
export const TRACE_TOLERANCE_MM = 0.2
const LEAST_EDGE_MM = 5

/**
 * An edge traced from heel to tip in a picture (pixels) in the blade's frame: x along the spine marked by two points
 * from heel towards tip, y from it to the edge, x from 0 at the heel; fitted by few pieces, what was marked of a choil
 * left out. Refused when it is too short or crosses itself. Source: docs/geometry.md, "Tracing a photograph".
 */
export function tracedEdge(
  edge: readonly Vec2[],
  spine: readonly [Vec2, Vec2],
  toMm: Homography,
  toleranceMm = TRACE_TOLERANCE_MM,
): TracedEdge {
  if (edge.length < 2) return { ok: false, code: 'mark-edge' }
  const points = edge.map((point) => applied(toMm, point))
  const [from, to] = [applied(toMm, spine[0]), applied(toMm, spine[1])]
  const size = Math.hypot(to[0] - from[0], to[1] - from[1])
  if (!(size > 1e-6)) return { ok: false, code: 'mark-spine' }
  const direction: Vec2 = [(to[0] - from[0]) / size, (to[1] - from[1]) / size]
  const along = points.map(([x, y]): Vec2 => [
    (x - from[0]) * direction[0] + (y - from[1]) * direction[1],
    (y - from[1]) * direction[0] - (x - from[0]) * direction[1],
  ])
  // The edge lies on whichever side of the spine it was marked.
  const side = along.reduce((sum, point) => sum + point[1], 0) < 0 ? -1 : 1
  const heel = along[0]![0]
  const inBlade = along.map(([x, y]): Vec2 => [x - heel, y * side])
  if (Math.hypot(inBlade.at(-1)![0], inBlade.at(-1)![1] - inBlade[0]![1]) < LEAST_EDGE_MM)
    return { ok: false, code: 'edge-too-short', figures: { leastMm: LEAST_EDGE_MM } }
  if (inBlade.at(-1)![0] < 0) return { ok: false, code: 'tip-behind-heel' }
  if (crossesItself(thinned(inBlade)) !== null) return { ok: false, code: 'crosses-itself' }
  const { segments, residualMm } = fitPoints(inBlade, toleranceMm)
  const { choil, edge: behindChoil } = fromHeel(segments)
  return { ok: true, choil, segments: behindChoil, residualMm }
}

/** Enough of the points to see a crossing. */
const thinned = (points: readonly Vec2[]): Vec2[] =>
  points.filter((_, i) => i % Math.max(1, Math.floor(points.length / 200)) === 0 || i === points.length - 1)
