import { degrees } from '../units/angle'

/** Half-widths of what is known about the three lengths that make an edge angle, mm. */
export interface LengthTolerances {
  readonly heightMm: number
  readonly distanceMm: number
  readonly faceOffsetMm: number
}

/**
 * Doubt of an edge angle (half-width, degrees): the three lengths' tolerances through the derivatives of the edge-angle
 * formula, added in quadrature. For a pivot above the face; first order. Source: docs/geometry.md, "How sure is it".
 */
export function angleDoubtDeg(heightMm: number, distanceMm: number, faceOffsetMm: number, tolerance: LengthTolerances): number {
  const square = heightMm ** 2 + distanceMm ** 2
  const alongFace = Math.sqrt(square - faceOffsetMm ** 2)
  const byHeight = distanceMm / square + (faceOffsetMm * heightMm) / (square * alongFace)
  const byDistance = -heightMm / square + (faceOffsetMm * distanceMm) / (square * alongFace)
  const byFaceOffset = -1 / alongFace
  return degrees(
    Math.hypot(byHeight * tolerance.heightMm, byDistance * tolerance.distanceMm, byFaceOffset * tolerance.faceOffsetMm),
  )
}
