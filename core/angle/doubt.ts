import { degrees } from '../units/angle'

/** The measures whose doubt goes into an edge angle. */
export type DoubtfulMeasure = 'pivot-height' | 'setback' | 'blade-height' | 'face-offset'

/** Half-widths of what is known about them, mm. */
export type MeasureTolerances = Readonly<Record<DoubtfulMeasure, number>>

export interface DoubtShare {
  readonly measure: DoubtfulMeasure
  readonly toleranceMm: number
  /** What this measure's tolerance alone does to the edge angle, degrees. */
  readonly shareDeg: number
}

/**
 * What each measure's tolerance does to an edge angle, the largest first: the one to take again first. For a pivot above the
 * face; first order, by the derivatives of the edge-angle formula. Source: docs/geometry.md, "How sure is it".
 */
export function doubtBudget(heightMm: number, distanceMm: number, faceOffsetMm: number, tolerances: MeasureTolerances): DoubtShare[] {
  const square = heightMm ** 2 + distanceMm ** 2
  const alongFace = Math.sqrt(square - faceOffsetMm ** 2)
  const byDistance = -heightMm / square + (faceOffsetMm * distanceMm) / (square * alongFace)
  const radiansPerMm: Record<DoubtfulMeasure, number> = {
    'pivot-height': distanceMm / square + (faceOffsetMm * heightMm) / (square * alongFace),
    setback: byDistance,
    'blade-height': byDistance,
    'face-offset': -1 / alongFace,
  }
  return (Object.keys(radiansPerMm) as DoubtfulMeasure[])
    .map((measure) => ({ measure, toleranceMm: tolerances[measure], shareDeg: Math.abs(degrees(radiansPerMm[measure] * tolerances[measure])) }))
    .sort((a, b) => b.shareDeg - a.shareDeg)
}

/** The doubt of the edge angle, half-width in degrees: the shares added in quadrature. */
export const totalDoubtDeg = (budget: readonly DoubtShare[]): number => Math.hypot(...budget.map((share) => share.shareDeg))
