import type { CentrePlane } from '../clamping/centring'
import type { ClampPosition } from '../clamping/clampPosition'
import { radians } from '../units/angle'
import type { Blade } from './blade'
import { primaryHalfAngleDeg } from './primaryHalfAngle'

/**
 * Where the centre plane of a blade resting on its primary face lies over the table: it falls outward by the primary
 * half-angle, about the blade's own length. The same on both sides, for the blade is turned over.
 * Source: docs/geometry.md, "Rigs", table with post.
 */
export function restingCentrePlane(of: Blade, held: ClampPosition): CentrePlane {
  const half = primaryHalfAngleDeg(of)
  const edgeFromOrigin = of.widthMm - held.bladeYMm
  return {
    offsetMm: (of.thicknessBehindEdgeMm / 2) * Math.cos(radians(half)) + edgeFromOrigin * Math.sin(radians(half)),
    tiltDeg: -half,
    axisTurnDeg: held.turnDeg,
  }
}
