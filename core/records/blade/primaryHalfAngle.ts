import { degrees } from '../../math/units/angle'
import type { Blade } from './blade'
import { shoulderDepthMm } from './shoulder'

/** The measures that a primary face is known by. */
export type FaceMeasures = Pick<
  Blade,
  'spineThicknessMm' | 'thicknessBehindEdgeMm' | 'primaryGrindHeightMm' | 'bevelDeg' | 'bevels'
>

/**
 * The primary half-angle in degrees: between the blade's centre plane and a primary face, from the thickness at the
 * spine and at the shoulder over what of the grind's height lies behind the shoulder. Source: docs/geometry.md,
 * "Cross-section".
 */
export const primaryHalfAngleDeg = (of: FaceMeasures): number =>
  slopeDeg(of, (of.spineThicknessMm - of.thicknessBehindEdgeMm) / 2)

/**
 * The slope of a face that rises by so much from the shoulder to where the grind ends, degrees; 0 where it does not
 * rise.
 */
export const slopeDeg = (of: FaceMeasures, riseMm: number): number =>
  degrees(Math.atan2(Math.max(0, riseMm), of.primaryGrindHeightMm - shoulderDepthMm(of)))
