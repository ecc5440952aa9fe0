import type { Choice } from '../../log/choices'
import { nth } from '../../math/list'
import { CLOSE_DEG } from '../../observe/marker/neededToDecide'

/** What to do about the existing bevel: grind it as it is, cut the wanted one, or go step by step. */

export type Reason =
  /** What is there is what is wanted, as well as it is known. */
  | 'close'
  /** Steeper than what is there: a small bevel at the very edge, for next to no steel. */
  | 'steeper'
  /** Flatter, and soon done. */
  | 'soon-done'
  /** Flatter, for much steel and time. */
  | 'long-work'
  /** The wanted angle cannot be ground here. */
  | 'cannot-cut'

export interface Decision {
  readonly choice: Choice
  readonly reason: Reason
}

/** Up to so many minutes at the stone a bevel is cut at once. */
const AT_ONCE_MINUTES = 10
/** Steel does not grow back: an angle comes nearer by no more than this at a time. */
const NEARER_DEG = 1

/** How many sharpenings it takes to come from an angle to another, a degree at a time. */
export const sharpeningsTo = (thereDeg: number, wantedDeg: number): number =>
  Math.max(1, Math.ceil(Math.abs(wantedDeg - thereDeg) / NEARER_DEG - 1e-9))

/**
 * What is advised, of both sides together. `sides`: what is there on each, its half-width of uncertainty, and what is
 * wanted, degrees; `cutMinutes`: what cutting takes, null where it cannot be. Source: docs/ink.md, "Follow, cut, or
 * step by step".
 */
export function decide(
  sides: readonly { readonly thereDeg: number; readonly uncertaintyDeg: number; readonly wantedDeg: number }[],
  cutMinutes: number | null,
): Decision {
  const off = sides.map(({ thereDeg, wantedDeg }) => wantedDeg - thereDeg)
  if (sides.every(({ uncertaintyDeg }, i) => Math.abs(nth(off, i)) <= Math.max(CLOSE_DEG, uncertaintyDeg)))
    return { choice: 'follow', reason: 'close' }
  if (cutMinutes === null) return { choice: 'follow', reason: 'cannot-cut' }
  if (off.every((one) => one > -CLOSE_DEG)) return { choice: 'cut', reason: 'steeper' }
  if (cutMinutes <= AT_ONCE_MINUTES) return { choice: 'cut', reason: 'soon-done' }
  return { choice: off.some((one) => one < -NEARER_DEG) ? 'nearer' : 'cut', reason: 'long-work' }
}
