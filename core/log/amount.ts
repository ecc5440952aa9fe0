import type { Side } from '../clamping/centring'
import { repeated } from '../doubt/repeated'
import type { Proof, Reading } from './entry'

/** What several readings of one angle come to. */
export interface Amount {
  readonly deg: number
  /** Half-width of the range that holds 95 in 100, degrees. */
  readonly doubtDeg: number
  /** From one to the next: standard deviation, degrees; null of a single one. */
  readonly spreadDeg: number | null
  /** The readings it is made of, oldest first. */
  readonly of: readonly (Reading | Proof)[]
}

/** Readings at places nearer than this were taken at one place, mm. */
const SAME_PLACE_MM = 1
/** A rig that had to read alike to this was not set otherwise between two readings, degrees. */
const SAME_SET_DEG = 0.05
/** Proofs taken within so long of each other are of one sitting: no steel was taken between them. */
const ONE_SITTING_MS = 2 * 3600_000

const samePlace = (a: number | null, b: number | null): boolean =>
  a === null || b === null ? a === b : Math.abs(a - b) <= SAME_PLACE_MM

/**
 * What a gauge reads on a side: the mean of the newest reading and of those before it that were taken at the same
 * place, with the same stone, zero and setting. Null while nothing was read. Readings: those in force, oldest first.
 */
export function readAmount(readings: readonly Reading[], side: Side): Amount | null {
  const here = readings.filter((one) => one.side === side)
  const last = here.at(-1)
  if (!last) return null
  const asSet = (one: Reading) =>
    one.expectedDeg === null || last.expectedDeg === null
      ? one.expectedDeg === last.expectedDeg
      : Math.abs(one.expectedDeg - last.expectedDeg) <= SAME_SET_DEG
  return mean(
    here.filter(
      (one) =>
        samePlace(one.placeMm, last.placeMm) && one.stoneId === last.stoneId && one.zero === last.zero && asSet(one),
    ),
  )
}

/**
 * What is proved on a side: the mean of the newest proof and of those of the same sitting at the same place. Null while
 * nothing is proved. Proofs: those in force, oldest first.
 */
export function provedAmount(proofs: readonly Proof[], side: Side): Amount | null {
  const here = proofs.filter((one) => one.side === side)
  const last = here.at(-1)
  if (!last) return null
  const since = Date.parse(last.at) - ONE_SITTING_MS
  return mean(
    here.filter((one) => samePlace(one.placeMm, last.placeMm) && one.zone === last.zone && Date.parse(one.at) >= since),
  )
}

/** Half-widths that hold 95 in 100, in standard deviations. */
const HALF_WIDTHS = 1.96

/**
 * The mean weighted by how well each is known, less sure by the Birge ratio where they scatter more than their doubts
 * allow. Source: docs/geometry.md, "What several readings come to".
 */
function mean(of: readonly (Reading | Proof)[]): Amount {
  const weights = of.map((one) => 1 / one.doubtDeg ** 2)
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const deg = of.reduce((sum, one, i) => sum + one.deg * weights[i]!, 0) / total
  const scatter = of.reduce((sum, one, i) => sum + weights[i]! * (HALF_WIDTHS * (one.deg - deg)) ** 2, 0)
  const birge = of.length > 1 ? Math.max(1, Math.sqrt(scatter / (of.length - 1))) : 1
  return {
    deg,
    doubtDeg: birge / Math.sqrt(total),
    spreadDeg: repeated(of.map((one) => one.deg))!.spread,
    of,
  }
}
