import { failed, type Result } from '../schema/result'
import { anglesUsed, countedSharpenings, type Sharpening } from './sharpenings'
import { threshold, type Threshold } from './threshold'
import type { Blade } from '../records/blade/blade'

/** One degree at a time: steel does not grow back. */
const ONE_STEP_DEG = 1
/** An angle at which an edge more likely fails than not is not tried, nor one at which the last one failed. */
const MOST_LIKELY_FAILS = 0.5
/** A small steeper bevel at the very edge, in place of a steeper one all over, degrees. */
export const MICRO_BEVEL_ADD_DEG = 3

export type NextWhy = 'held' | 'rolled' | 'chipped' | 'burr' | 'near-its-limit' | 'factory-edge'
export interface NextAngle {
  readonly does: 'lower' | 'higher' | 'same'
  readonly why: NextWhy
  /** The angle that the last edge had, degrees per side. */
  readonly fromDeg: number
  readonly isProved: boolean
  readonly deg: number
  /** How likely an edge fails at the angle it had, and at the one that is advised, 0 to 1. */
  readonly failsNow: number
  readonly failsThen: number
  readonly threshold: Threshold
  /** Sharpenings whose angle and outcome are known, and those of a factory edge that were left out. */
  readonly known: number
  readonly leftOut: number
}

/**
 * The angle to sharpen a blade at next, from what became of its edges; or why it cannot be said. `usual`: the starting
 * range for its use, degrees; null: by experience alone. Source: docs/use.md, "The next angle".
 */
export function nextAngle(
  sharpenings: readonly Sharpening[],
  blade: Pick<Blade, 'sharpenedBefore'>,
  usual: readonly [number, number] | null,
): Result<NextAngle, 'nothing-put-to-use' | 'no-outcome' | 'no-angle'> {
  const last = sharpenings.at(-1)
  if (!last) return failed('nothing-put-to-use')
  if (last.became === null) return failed('no-outcome')
  if (last.deg === null) return failed('no-angle')
  const { counted, leftOut } = countedSharpenings(sharpenings, blade)
  const used = anglesUsed(counted)
  const known = threshold(usual, used)
  const fromDeg = last.deg
  const to = (does: NextAngle['does'], why: NextWhy): Result<NextAngle, never> => {
    const deg = fromDeg + { lower: -ONE_STEP_DEG, higher: ONE_STEP_DEG, same: 0 }[does]
    const [failsNow, failsThen] = [known.failsAt(fromDeg), known.failsAt(deg)]
    return {
      ok: true,
      ...{ does, why, fromDeg, deg, failsNow, failsThen, threshold: known },
      ...{ isProved: last.isProved, known: used.length, leftOut },
    }
  }
  if (!counted.includes(last)) return to('same', 'factory-edge')
  if (last.became === 'burr') return to('same', 'burr')
  if (last.became !== 'held') return to('higher', last.became)
  const lowerDeg = fromDeg - ONE_STEP_DEG
  const failedThere = used.findLast(({ deg }) => Math.abs(deg - lowerDeg) <= ONE_STEP_DEG / 2)?.failed ?? false
  const isTooLow = failedThere || known.failsAt(lowerDeg) > MOST_LIKELY_FAILS
  return isTooLow ? to('same', 'near-its-limit') : to('lower', 'held')
}
