import type { Side } from '../records/common/side'
import type { EdgePoint } from '../math/curve/edgePoints'
import type { Setup } from '../geometry/setup/setup'
import type { KnownHold } from '../records/job/knownHold'
import { ANEW_EACH_SIDE, measuresOf, type UncertainMeasure, type MeasureId } from './measures'
import { edgeAngleShifter } from './shifted'

export interface UncertaintyShare extends UncertainMeasure {
  /** Sensitivity: degrees of edge angle for a millimetre or a degree more of this measure, with its sign. */
  readonly perUnitDeg: number
  /**
   * What this measure's tolerance adds to the uncertainty of the edge angle, degrees: what it does alone; where others
   * hang together with it, as much less or more as they do.
   */
  readonly shareDeg: number
}

/** Steps of the central difference: small against any tolerance, large against rounding. */
const STEP = { mm: 0.01, deg: 0.01 } as const

/**
 * What each measure's tolerance does to the edge angle of one side, the largest first: the one to take again first.
 * First order, by central differences of the exact angle. Source: docs/geometry.md, "Uncertainty".
 */
export function uncertaintyBudget(
  setup: Setup,
  known: KnownHold,
  side: Side,
  pivotHeightMm: number,
  edgePoint: EdgePoint,
): UncertaintyShare[] {
  const shifted = edgeAngleShifter(setup, side, pivotHeightMm, edgePoint)
  const asWritten = shifted({})
  const slope = (id: MeasureId, step: number): number => {
    const [less, more] = [-step, step].map((by) => shifted({ [id]: by }))
    if (less == null || more == null || asWritten === null) return 0
    // Of both ways, as their root mean square: at the end of a wide slot the rod can be off to one side alone.
    return (Math.sign(more - less) * Math.hypot(more - asWritten, asWritten - less)) / (Math.SQRT2 * step)
  }
  const moves = measuresOf(setup, known, edgePoint).map((measure): Moves => {
    const perUnitDeg = slope(measure.id, STEP[measure.unit])
    return { ...measure, perUnitDeg, byDeg: perUnitDeg * measure.tolerance }
  })
  return moves
    .map(({ byDeg, ...measure }): UncertaintyShare => ({
      ...measure,
      shareDeg: Math.sqrt(Math.max(0, byDeg * withTied(measure, byDeg, moves))),
    }))
    .sort((a, b) => b.shareDeg - a.shareDeg)
}

/** A measure, and what its tolerance does to an angle with its sign, degrees. */
type Moves = UncertainMeasure & { readonly perUnitDeg: number; readonly byDeg: number }

/** What a measure and those that hang together with it do, each by as much as it follows, degrees. */
const withTied = ({ tiedTo = {} }: UncertainMeasure, byDeg: number, all: readonly Pick<Moves, 'id' | 'byDeg'>[]) =>
  all.reduce((sum, other) => sum + (tiedTo[other.id] ?? 0) * other.byDeg, byDeg)

/** Added in quadrature, with what hangs together: half-width, degrees. */
function inQuadrature(all: readonly (UncertainMeasure & Pick<Moves, 'byDeg'>)[]): number {
  return Math.sqrt(
    Math.max(
      0,
      all.reduce((sum, one) => sum + one.byDeg * withTied(one, one.byDeg, all), 0),
    ),
  )
}

/**
 * The uncertainty of the edge angle, half-width in degrees: the shares added in quadrature, with what hangs together.
 */
export const totalUncertaintyDeg = (budget: readonly UncertaintyShare[]): number =>
  inQuadrature(budget.map((share) => ({ ...share, byDeg: share.perUnitDeg * share.tolerance })))

/**
 * The uncertainty of the included angle: what both sides share counts once, with its sign, so a centring error cancels
 * and a pivot height adds up; what is anew on each side (the pivot's play) counts twice on its own; then in quadrature.
 * Source: docs/geometry.md, "Uncertainty".
 */
export function includedUncertaintyDeg(a: readonly UncertaintyShare[], b: readonly UncertaintyShare[]): number {
  const both = a.map((share) => {
    const [here, there] = [share.perUnitDeg, b.find((one) => one.id === share.id)?.perUnitDeg ?? 0]
    const perUnitDeg = ANEW_EACH_SIDE.has(share.id) ? Math.hypot(here, there) : here + there
    return { ...share, byDeg: perUnitDeg * share.tolerance }
  })
  return inQuadrature(both)
}
