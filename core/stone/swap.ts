import { radians } from '../units/angle'

/**
 * How much the pivot must rise (mm) to keep an edge angle when a stone with another face offset goes on the rod:
 * Δh = Δd / cos θ, exact on a centred blade. Source: docs/geometry.md, "Changing the stone".
 */
export const heightCorrectionMm = (fromFaceOffsetMm: number, toFaceOffsetMm: number, edgeAngleDeg: number): number =>
  (toFaceOffsetMm - fromFaceOffsetMm) / Math.cos(radians(edgeAngleDeg))
