import { lastOf, nth } from '../../math/list'
import type { Curve } from '../../math/curve/curve'
import { edgePointAt, type EdgePoint } from '../../math/curve/edgePoints'
import { clampFrame, holdWith, toBladeFrame, toClampFrame } from './clampFrame'
import type { ClampPosition } from '../../records/job/clampPosition'

/**
 * The place of the edge over the middle of the jaws (u = 0), found between neighbouring edge points; the end nearer to
 * the jaws where the edge does not pass over them. Edge points: from heel to tip.
 */
export function edgePointOverJaws(edge: Curve, edgePoints: readonly EdgePoint[], hold: ClampPosition): EdgePoint {
  const frame = clampFrame(hold)
  const u = edgePoints.map((edgePoint) => toClampFrame(edgePoint.point, frame)[0])
  for (let i = 1; i < u.length; i++) {
    const a = nth(u, i - 1)
    const b = nth(u, i)
    if (a <= 0 === b <= 0) continue
    const from = nth(edgePoints, i - 1).fromHeelMm
    return edgePointAt(edge, from + (a / (a - b)) * (nth(edgePoints, i).fromHeelMm - from))
  }
  return Math.abs(nth(u, 0)) < Math.abs(lastOf(u)) ? nth(edgePoints, 0) : lastOf(edgePoints)
}

/** Blade height, mm: how far the edge stands out of the jaws at an edge point. Source: docs/geometry.md, "Frames". */
export const bladeHeightMm = (edgePoint: EdgePoint, hold: ClampPosition): number =>
  toClampFrame(edgePoint.point, clampFrame(hold))[1]

/** The blade moved by so much along the jaws (towards the tip) and out of them, in the clamp frame, mm. */
export const moved = (hold: ClampPosition, alongMm: number, outMm: number): ClampPosition =>
  holdWith(toBladeFrame([0, 0], clampFrame(hold)), [alongMm, outMm], hold)
