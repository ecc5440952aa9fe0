import { radians } from '../../math/units/angle'
import type { Blade } from './blade'
import { bevelThicknessMm } from './bevelThickness'

/**
 * The bevel that is reckoned with where none was proved, per side, degrees: it only says how far behind the edge the
 * shoulder lies.
 */
const USUAL_BEVEL_DEG = 20
/** However wide the bevel, so much of the grind's height is primary face. */
const LEAST_FACE_SHARE = 0.1

/** How far the shoulder, where the bevel ends, lies behind the edge, mm. Source: docs/geometry.md, "Cross-section". */
export function shoulderDepthMm(
  of: Pick<Blade, 'bevels' | 'thicknessBehindEdgeMm' | 'primaryGrindHeightMm' | 'bevelDeg'>,
): number {
  const { bevelDeg } = of
  const deg = bevelDeg === null ? USUAL_BEVEL_DEG : of.bevels === 'A' ? bevelDeg.A : (bevelDeg.A + bevelDeg.B) / 2
  return Math.min(bevelThicknessMm(of) / Math.tan(radians(deg)), (1 - LEAST_FACE_SHARE) * of.primaryGrindHeightMm)
}
