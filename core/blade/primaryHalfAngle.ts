import { degrees } from '../units/angle'
import type { Blade } from './blade'

/**
 * The primary half-angle in degrees: between the blade's centre plane and a primary face, from the thickness at the spine
 * and behind the edge over the height of the primary grind. Source: docs/geometry.md, "Cross-section".
 */
export function primaryHalfAngleDeg(
  of: Pick<Blade, 'spineThicknessMm' | 'thicknessBehindEdgeMm' | 'primaryGrindHeightMm'>,
): number {
  const taperPerSide = (of.spineThicknessMm - of.thicknessBehindEdgeMm) / 2
  return degrees(Math.atan2(Math.max(0, taperPerSide), of.primaryGrindHeightMm))
}
