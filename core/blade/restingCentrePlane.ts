import type { CentrePlane, Side } from '../clamping/centring'
import type { ClampPosition } from '../clamping/clampPosition'
import { radians } from '../units/angle'
import type { Blade } from './blade'
import { primaryHalfAngleDeg } from './primaryHalfAngle'
import { shoulderDepthMm } from './shoulder'

/**
 * Where the centre plane of a blade resting on its primary face lies over the table: it falls outward by the slope of
 * that face, about the blade's own length, and the edge stands where the two faces, run on to it, would leave it over
 * the table. The faces' slopes are the primary half-angle, less the clamp position's tilt with side A up and more by it
 * with side B up. A blade with a bevel on side A alone is measured from its flat back. Source: docs/geometry.md,
 * "Rigs", table with post.
 */
export function restingCentrePlane(of: Blade, hold: ClampPosition, side: Side): CentrePlane {
  const flatBack = of.bevels === 'A'
  const slope = flatBack ? 0 : primaryHalfAngleDeg(of)
  const half = slope - (side === 'A' ? hold.tiltDeg : -hold.tiltDeg)
  const edgeFromOrigin = of.widthMm - hold.bladeYMm
  const faceAtEdge = flatBack ? 0 : of.thicknessBehindEdgeMm / 2 - shoulderDepthMm(of) * Math.tan(radians(slope))
  const edgeOverTable = faceAtEdge * Math.cos(radians(half))
  return {
    offsetMm: edgeOverTable + edgeFromOrigin * Math.sin(radians(half)),
    tiltDeg: -half,
    axisTurnDeg: hold.turnDeg,
  }
}
