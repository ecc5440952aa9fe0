import { nth } from '../../math/list'
import { Z95 } from '../../math/statistics/normal'
/** A measure that may be off, alone. */
export interface Suspect<T> {
  readonly what: T
  /** Half-width that holds 95 in 100, in its own unit. */
  readonly tolerance: number
  /** How far a figure moves for each unit, where it is off by so much; 0: off by next to nothing. */
  readonly perUnit: (figure: number, off: number) => number
  /** How far off it must be, where that is known; else it is found by least squares. */
  readonly off?: number
}

/** A figure as it was found less what it had to be, and how sure that is (95 in 100), in one unit. */
export interface Difference {
  readonly differs: number
  readonly uncertainty: number
  /** It weighs with the others, but need not be explained. */
  readonly beside?: boolean
}

export interface SingleCause<T> {
  readonly what: T
  /** How far it would have to be off, in its own unit, and in its tolerances. */
  readonly off: number
  readonly times: number
  /** The most that it leaves of a difference. */
  readonly leaves: number
}

/** One cause explains a difference where it leaves no more than so many uncertainties of the figure. */
const LEAVES = 1.5
/** What would have to be off by more of its tolerances is no explanation. */
const MOST_TIMES = 5
/** A curved dependence is followed in so many steps. */
const STEPS = 3

/**
 * What alone would explain differences, likeliest first: each suspect by how far it would have to be off in its
 * tolerances (least squares, followed along a curved dependence) and how well that fits all figures. One that leaves
 * too much of any, or would be off too far, is none. Source: docs/calibration.md, "Why proved and set differ".
 */
export function singleCauses<T>(found: readonly Difference[], suspects: readonly Suspect<T>[]): SingleCause<T>[] {
  const weights = found.map(({ uncertainty }) => (Z95 / uncertainty) ** 2)
  const over = (each: (i: number) => number) => found.reduce((sum, _, i) => sum + nth(weights, i) * each(i), 0)
  return suspects
    .flatMap(({ what, tolerance, perUnit, off: given }) => {
      let off = given ?? 0
      for (let step = 0; given === undefined && step < STEPS; step++) {
        const from = off
        const square = over((i) => perUnit(i, from) ** 2)
        if (square < 1e-6) return []
        off = over((i) => perUnit(i, from) * nth(found, i).differs) / square
      }
      const left = found.map(({ differs }, i) => Math.abs(differs - perUnit(i, off) * off))
      const open = left.filter((_, i) => !nth(found, i).beside)
      const times = Math.abs(off) / tolerance
      if (
        times > MOST_TIMES ||
        left.some((one, i) => !nth(found, i).beside && one > LEAVES * nth(found, i).uncertainty)
      )
        return []
      const against = (Z95 * times) ** 2 + over((i) => nth(left, i) ** 2)
      return [{ against, cause: { what, off, times, leaves: Math.max(...open) } }]
    })
    .sort((a, b) => a.against - b.against)
    .map(({ cause }) => cause)
}
