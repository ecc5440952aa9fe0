import { nth } from '../math/list'
import type { Side } from '../records/common/side'
import { repeated } from '../math/statistics/repeated'
import type { Proof, Reading } from './entry'
import { setAlike } from './setAlike'
import { Z95 } from '../math/statistics/normal'

/** What several readings of one angle come to. */
export interface MeanReading<E extends Reading | Proof = Reading | Proof> {
  readonly deg: number
  /** Half-width of the range that holds 95 in 100, degrees. */
  readonly uncertaintyDeg: number
  /** From one to the next: standard deviation, degrees; null of a single one. */
  readonly spreadDeg: number | null
  /** The readings it is made of, oldest first. */
  readonly of: readonly E[]
}

/** Readings at places nearer than this were taken at one place, mm. */
const SAME_PLACE_MM = 1
/** A rig that had to read alike to this was not set otherwise between two readings, degrees. */
const SAME_SET_DEG = 0.05
/** Proofs taken within so long of each other are of one sitting. */
const ONE_SITTING_MS = 2 * 3600_000

const samePlace = (a: number | null, b: number | null): boolean =>
  a === null || b === null ? a === b : Math.abs(a - b) <= SAME_PLACE_MM

/**
 * What a gauge reads on a side: the mean of the newest reading and of those before it that were taken at the same
 * place, with the same stone, zero and setting. Null while nothing was read. Readings: those in force, oldest first.
 */
export function meanReading(readings: readonly Reading[], side: Side): MeanReading<Reading> | null {
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

/** With one setting, hold and stone; as far as they were noted. */
const cutWithTheSame = (one: Proof, other: Proof): boolean =>
  one.setup === null || other.setup === null ? one.setup === other.setup : setAlike(one.setup, other.setup, one.side)

/** The proofs of a side that go with its newest: of the same sitting, and cut with the same. */
function withNewest(proofs: readonly Proof[], side: Side): Proof[] {
  const here = proofs.filter((one) => one.side === side)
  const last = here.at(-1)
  if (!last) return []
  const since = Date.parse(last.at) - ONE_SITTING_MS
  return here.filter((one) => cutWithTheSame(one, last) && Date.parse(one.at) >= since)
}
/** Of one place; and no more was cut there between them, as far as was said: through to the apex, or not yet. */
const ofOnePlace = (one: Proof, other: Proof): boolean =>
  samePlace(one.placeMm, other.placeMm) && one.zone === other.zone && one.toApex === other.toApex

/**
 * What is proved on a side: the mean of the newest proof and of those at the same place, of the same sitting and cut
 * with the same. Null while nothing is proved. Proofs: those in force, oldest first.
 */
export const meanProof = (proofs: readonly Proof[], side: Side): MeanReading<Proof> | null => {
  const here = withNewest(proofs, side)
  const last = here.at(-1)
  return last ? mean(here.filter((one) => ofOnePlace(one, last))) : null
}

/** The same at each place that goes with the newest proof, the newest place last: older cuts are the past. */
export function provedAtPlaces(proofs: readonly Proof[], side: Side): MeanReading<Proof>[] {
  const here = withNewest(proofs, side)
  return newestOfEach(here, (one, other) => samePlace(one.placeMm, other.placeMm) && one.zone === other.zone).map(
    (last) => mean(here.filter((one) => ofOnePlace(one, last))),
  )
}

/** What was read on a side at each place, with the newest stone, zero and setting there; the newest place last. */
export function readAtPlaces(readings: readonly Reading[], side: Side): MeanReading<Reading>[] {
  const atPlace = (one: Reading, other: Reading) => samePlace(one.placeMm, other.placeMm)
  const here = readings.filter((one) => one.side === side)
  return newestOfEach(here, atPlace).map((last) =>
    meanReading(
      here.filter((one) => atPlace(one, last)),
      side,
    )!,
  )
}
const newestOfEach = <T>(all: readonly T[], alike: (one: T, other: T) => boolean): T[] =>
  all.filter((one, i) => !all.slice(i + 1).some((later) => alike(one, later)))

/** Several means as one: what a zone comes to. Null of none. */
export const together = (means: readonly MeanReading[]): MeanReading | null =>
  means.length === 0 ? null : mean(means.flatMap(({ of }) => of))

/**
 * The mean weighted by how well each is known, less sure by the Birge ratio where they scatter more than their
 * uncertainties allow. Source: docs/geometry.md, "The mean of several readings".
 */
function mean<E extends Reading | Proof>(of: readonly E[]): MeanReading<E> {
  const weights = of.map((one) => 1 / one.uncertaintyDeg ** 2)
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const deg = of.reduce((sum, one, i) => sum + one.deg * nth(weights, i), 0) / total
  const scatter = of.reduce((sum, one, i) => sum + nth(weights, i) * (Z95 * (one.deg - deg)) ** 2, 0)
  const birge = of.length > 1 ? Math.max(1, Math.sqrt(scatter / (of.length - 1))) : 1
  return {
    deg,
    uncertaintyDeg: birge / Math.sqrt(total),
    spreadDeg: repeated(of.map((one) => one.deg))?.spread ?? null,
    of,
  }
}
