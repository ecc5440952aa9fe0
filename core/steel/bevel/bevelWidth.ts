import { radians } from '../../math/units/angle'

/**
 * Width of the bevel's face, mm: from apex to shoulder along the face, for the thickness behind the edge that belongs
 * to this bevel (half of it where both sides are bevelled). Source: docs/geometry.md, "Cross-section".
 */
export const bevelWidthMm = (thicknessMm: number, edgeAngleDeg: number): number =>
  thicknessMm / Math.sin(radians(edgeAngleDeg))
