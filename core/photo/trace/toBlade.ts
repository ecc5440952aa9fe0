import { lastOf, nth } from '../../math/list'
import type { EdgeUncertainty } from '../../records/blade/edgeUncertainty'
import { fromHeel } from '../../records/blade/heel'
import { curveLength } from '../../math/curve/arcLength'
import { cornersOf } from '../../math/curve/corners'
import { crossesItself } from '../../math/curve/crossesItself'
import { fitPoints, type FittedCurve } from '../../math/curve/fitPoints'
import type { Segment } from '../../math/curve/segment'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import type { Finding } from '../../schema/problem'
import { degrees } from '../../math/units/angle'
import type { Vec2 } from '../../math/vector/vec2'
import type { PictureScale } from './pictureScale'
import type { SnappedOutline } from './smoothOutline'
import { sureUpTo } from './snap'

export type TracedEdge =
  | ({
      readonly ok: true
      /** Whether a choil was marked, or a heel that stands free. */
      readonly choil: boolean
      /** How well the curve follows the edge. */
      readonly uncertainty: EdgeUncertainty
      /** Stretches where the outline is not plain to see, along the edge from the heel, mm. */
      readonly unsure: readonly { readonly fromMm: number; readonly toMm: number }[]
    } & FittedCurve)
  | ({ readonly ok: false } & Finding)

/** A traced edge is fitted as closely as its places scatter, within these, mm. */
const FIT_MM = { closest: 0.03, loosest: 0.2, deviations: 3 } as const
/** A traced direction is never known better than this: the fit and the picture's own sharpness, degrees. */
const LEAST_HEADING_DEG = 0.4
/** At an end or a corner places stand on one side alone: so much more there, less by so much further on. */
const AT_ENDS = { deg: 4.5, falls: 1.3 } as const
/** So many places along the edge tell how well its direction is known. */
const UNCERTAINTY_PLACES = 41
/** An outline is never placed better than this, pixels. */
const LEAST_PLACE_PX = 0.5
/** So many times what a straight line through the places would leave: a parabola's slope, and the fit's own pieces. */
const SLOPE_TIMES = 10
const LEAST_EDGE_MM = 5

/**
 * An edge traced from heel to tip in a picture (pixels) in the blade's frame: x along the spine marked by two points
 * from heel towards tip, y from it to the edge, x from 0 at the heel; fitted by few pieces, what was marked of a choil
 * left out. Refused when it is too short or crosses itself. Source: docs/geometry.md, "Tracing a photograph".
 */
export function tracedEdge(found: SnappedOutline, spine: readonly [Vec2, Vec2], { toMm }: PictureScale): TracedEdge {
  const { points: edge, scatterPx, overPx } = found
  if (edge.length < 2) return { ok: false, code: 'mark-edge' }
  const points = edge.map(toMm)
  const [from, to] = [toMm(spine[0]), toMm(spine[1])]
  const size = Math.hypot(to[0] - from[0], to[1] - from[1])
  if (!(size > 1e-6)) return { ok: false, code: 'mark-spine' }
  const direction: Vec2 = [(to[0] - from[0]) / size, (to[1] - from[1]) / size]
  const along = points.map(([x, y]): Vec2 => [
    (x - from[0]) * direction[0] + (y - from[1]) * direction[1],
    (y - from[1]) * direction[0] - (x - from[0]) * direction[1],
  ])
  // The edge lies on whichever side of the spine it was marked.
  const side = along.reduce((sum, point) => sum + point[1], 0) < 0 ? -1 : 1
  const heel = nth(along, 0)[0]
  const inBlade = along.map(([x, y]): Vec2 => [x - heel, y * side])
  if (Math.hypot(lastOf(inBlade)[0], lastOf(inBlade)[1] - nth(inBlade, 0)[1]) < LEAST_EDGE_MM)
    return { ok: false, code: 'edge-too-short', figures: { leastMm: LEAST_EDGE_MM } }
  if (lastOf(inBlade)[0] < 0) return { ok: false, code: 'tip-behind-heel' }
  const scale = lengthOf(inBlade) / Math.max(1e-9, lengthOf(edge))
  // So many places of their own count for each, by the parabola through them (9/4 of what their mean would leave).
  const places = Math.max(1, (2 * overPx) / OWN_PLACE_PX)
  const leftMm = scatterPx * scale * Math.sqrt(2.25 / places)
  const { segments, residualMm } = fitPoints(
    inBlade,
    Math.min(FIT_MM.loosest, Math.max(FIT_MM.closest, FIT_MM.deviations * leftMm)),
  )
  if (crossesItself(evenEdgePoints(segments, CHECKED).map(({ point }) => point)) !== null)
    return { ok: false, code: 'crosses-itself' }
  const { choil, edge: behindChoil } = fromHeel(segments)
  const slopeOff = (scatterPx * Math.sqrt(12 / places)) / (2 * overPx)
  const awayFromEnds = Math.max(LEAST_HEADING_DEG, degrees(SLOPE_TIMES * slopeOff))
  return {
    ok: true,
    choil,
    segments: behindChoil,
    residualMm,
    uncertainty: {
      placeMm: Math.hypot(residualMm, LEAST_PLACE_PX * scale, 2 * leftMm),
      headingDeg: headingUncertainties(behindChoil, awayFromEnds, overPx * scale),
    },
    unsure: unsureOf(inBlade, found, behindChoil),
  }
}

/** How well the direction is known at even places along an edge, degrees: less well towards its ends and corners. */
function headingUncertainties(edge: readonly Segment[], inTheMiddle: number, overMm: number): number[] {
  const lengthMm = curveLength(edge)
  const ends = [0, ...cornersOf(edge).map(({ fromHeelMm }) => fromHeelMm), lengthMm]
  return Array.from({ length: UNCERTAINTY_PLACES }, (_, i) => {
    const at = (lengthMm * i) / (UNCERTAINTY_PLACES - 1)
    const away = Math.min(...ends.map((end) => Math.abs(end - at)))
    return inTheMiddle + AT_ENDS.deg * Math.exp((-AT_ENDS.falls * away) / overMm)
  })
}

/** Places nearer than this were averaged over the same pixels. */
const OWN_PLACE_PX = 16
const CHECKED = 240
const lengthOf = (points: readonly Vec2[]): number =>
  points.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - nth(points, i)[0], y - nth(points, i)[1]), 0)

/** Stretches of the edge that no plain outline stands behind: found beside a rival, or not found at all. */
function unsureOf(
  points: readonly Vec2[],
  found: SnappedOutline,
  edge: readonly Segment[],
): { fromMm: number; toMm: number }[] {
  const most = curveLength(edge)
  const begins = lengthOf(points) - most
  const stretches: { fromMm: number; toMm: number }[] = []
  let atMm = -begins
  const add = (fromMm: number, toMm: number) => {
    const [from, to] = [Math.max(0, fromMm), Math.min(most, toMm)]
    if (to <= from) return
    const last = stretches.at(-1)
    if (last && from - last.toMm < UNSURE_APART_MM) last.toMm = to
    else stretches.push({ fromMm: from, toMm: to })
  }
  for (let i = 1; i < points.length; i++) {
    const before = atMm
    atMm += lengthOf([nth(points, i - 1), nth(points, i)])
    if (!sureUpTo(found, i)) add(before - UNSURE_BESIDE_MM, atMm + UNSURE_BESIDE_MM)
  }
  return stretches
}
/** What lies beside an unsure place leans on it; stretches nearer than so are one. */
const UNSURE_BESIDE_MM = 1.5
const UNSURE_APART_MM = 4
