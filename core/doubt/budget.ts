import type { Side } from '../clamping/centring'
import type { Station } from '../curve/stations'
import type { Setup } from '../setup/setup'
import type { KnownHold } from '../clamping/knownHold'
import { ANEW_EACH_SIDE, measuresOf, type DoubtfulMeasure, type MeasureId } from './measures'
import { edgeAngleShifter } from './shifted'

export interface DoubtShare extends DoubtfulMeasure {
  /** Sensitivity: degrees of edge angle for a millimetre or a degree more of this measure, with its sign. */
  readonly perUnitDeg: number
  /** What this measure's tolerance alone does to the edge angle, degrees. */
  readonly shareDeg: number
}

/** Steps of the central difference: small against any tolerance, large against rounding. */
const STEP = { mm: 0.01, deg: 0.01 } as const

/**
 * What each measure's tolerance does to the edge angle of one side, the largest first: the one to take again first.
 * First order, by central differences of the exact angle. Source: docs/geometry.md, "How sure is it".
 */
export function doubtBudget(
  setup: Setup,
  known: KnownHold,
  side: Side,
  pivotHeightMm: number,
  station: Station,
): DoubtShare[] {
  const shifted = edgeAngleShifter(setup, side, pivotHeightMm, station)
  const asWritten = shifted({})
  const slope = (id: MeasureId, step: number): number => {
    const [less, more] = [-step, step].map((by) => shifted({ [id]: by }))
    if (less == null || more == null || asWritten === null) return 0
    // Of both ways, as their root mean square: at the end of a wide slot the rod can be off to one side alone.
    return (Math.sign(more - less) * Math.hypot(more - asWritten, asWritten - less)) / (Math.SQRT2 * step)
  }
  return measuresOf(setup, known, station)
    .map((measure): DoubtShare => {
      const perUnitDeg = slope(measure.id, STEP[measure.unit])
      return { ...measure, perUnitDeg, shareDeg: Math.abs(perUnitDeg * measure.tolerance) }
    })
    .sort((a, b) => b.shareDeg - a.shareDeg)
}

/** The doubt of the edge angle, half-width in degrees: the shares added in quadrature. */
export const totalDoubtDeg = (budget: readonly DoubtShare[]): number =>
  Math.sqrt(budget.reduce((sum, { shareDeg }) => sum + shareDeg ** 2, 0))

/**
 * The doubt of the included angle: what both sides share counts once, with its sign, so a centring error cancels and a
 * pivot height adds up; what is anew on each side (the pivot's play) counts twice on its own; then in quadrature.
 * Source: docs/geometry.md, "How sure is it".
 */
export function includedDoubtDeg(a: readonly DoubtShare[], b: readonly DoubtShare[]): number {
  const squares = a.map((share) => {
    const [here, there] = [share.perUnitDeg, b.find((one) => one.id === share.id)?.perUnitDeg ?? 0]
    return (ANEW_EACH_SIDE.has(share.id) ? here ** 2 + there ** 2 : (here + there) ** 2) * share.tolerance ** 2
  })
  return Math.sqrt(squares.reduce((sum, square) => sum + square, 0))
}
