import { SIDES, type Side } from '../clamping/centring'
import type { KnownHold } from '../clamping/knownHold'
import { doubtBudget, type DoubtShare } from '../doubt/budget'
import type { MeasureId } from '../doubt/measures'
import { edgeAngleShifter } from '../doubt/shifted'
import type { UnknownId } from '../rig/fitted'
import type { CountedProof } from './provedOnRig'
import { singleCauses } from './singleCauses'

/** What would explain that the steel has another angle than was set. */
export type ProofCause =
  /** Nobody saw that the bevel came through to the apex there: an older angle is still at the edge. */
  | { readonly by: 'not-to-apex'; readonly sides: readonly Side[] }
  /** A measure is off by so much, which is so many times its tolerance; what it leaves open. */
  | {
      readonly by: 'measure'
      readonly measure: MeasureId
      readonly unit: 'mm' | 'deg'
      readonly off: number
      readonly times: number
      readonly leavesDeg: number
    }

export interface ProvedAgainstSet {
  /** The steel less the set angle, degrees. */
  readonly differsDeg: number
  /** Half-width of the proof alone, degrees. */
  readonly doubtDeg: number
  readonly budget: readonly DoubtShare[]
  /** What was said of the apex. */
  readonly toApex: boolean | null
}

/** What was proved on the same rig before against what its measures give; doubtful by all that was that hold's own. */
export interface ProvedEarlier extends Omit<ProvedAgainstSet, 'toApex'> {
  /** Cut with the stone that is asked about. */
  readonly sameStone: boolean
}

/** Measures of the rig, and of its stone: off once, they are off each time. The others belong to one hold. */
const OF_RIG: readonly MeasureId[] = ['pivot-height', 'pivot-height-b', 'setback', 'setback-b', 'pivot-along']
const OF_STONE: readonly MeasureId[] = ['face-offset', 'face-shape']

/**
 * What was proved of earlier work on a rig. `counted`: as provedOnRig has them with RIG_AND_STONE moving;
 * `stoneId`: of the stone that is asked about.
 */
export const provedEarlier = (counted: readonly CountedProof[], stoneId: string): ProvedEarlier[] =>
  counted.flatMap(({ angle: { setup, side, pivotHeightMm, station, deg, doubtDeg, stoneId: its } }) => {
    const set = edgeAngleShifter(setup, side, pivotHeightMm, station)({})
    if (set === null) return []
    const budget = doubtBudget(setup, KNOWN_HOLD, side, pivotHeightMm, station)
    return [{ differsDeg: deg - set, doubtDeg, budget, sameStone: its === stoneId }]
  })
/** What a rig and its stone bring along from one hold to the next. */
export const RIG_AND_STONE: readonly UnknownId[] = ['pivot-height', 'setback', 'setback-b', 'face-offset']
/** How well a hold is known does not change how far a measure of the rig moves the angle. */
const KNOWN_HOLD: KnownHold = {
  bladeHeightToleranceMm: 1,
  holdTolerance: { alongMm: 1, turnDeg: 1, centreOffsetMm: 1, tiltDeg: 1 },
}

/**
 * Single causes of a difference between what is proved and what is set, the likeliest first: an apex that was not
 * reached, then each measure by how far it would have to be off, in its tolerances, and how well that fits both sides
 * and all that was proved on this rig before.
 * Empty where nothing differs beyond the doubt of the proofs. Source: docs/calibration.md, "Why proved and set differ".
 */
export function proofCauses(
  of: Readonly<Partial<Record<Side, ProvedAgainstSet>>>,
  earlier: readonly ProvedEarlier[] = [],
): ProofCause[] {
  const sides = SIDES.flatMap((side) => (of[side] ? [{ side, ...of[side] }] : []))
  const differ = sides.filter(({ differsDeg, doubtDeg }) => Math.abs(differsDeg) > doubtDeg)
  if (differ.length === 0) return []
  const notThrough = differ.filter(({ toApex }) => toApex !== true).map(({ side }) => side)
  const ids = [...new Set(sides.flatMap(({ budget }) => budget.map(({ id }) => id)))]
  const suspects = ids.map((id) => {
    const shareOf = ({ budget }: Pick<ProvedAgainstSet, 'budget'>) => budget.find((share) => share.id === id)
    const { tolerance, unit } = sides.flatMap((one) => shareOf(one) ?? [])[0]!
    const perUnit = [
      ...sides.map((one) => shareOf(one)?.perUnitDeg ?? 0),
      ...earlier.map((one) =>
        OF_RIG.includes(id) || (one.sameStone && OF_STONE.includes(id)) ? (shareOf(one)?.perUnitDeg ?? 0) : 0,
      ),
    ]
    return { what: { measure: id, unit }, tolerance, perUnit: (i: number) => perUnit[i]! }
  })
  const found = [
    ...sides.map(({ differsDeg, doubtDeg }) => ({ differs: differsDeg, doubt: doubtDeg })),
    ...earlier.map(({ differsDeg, doubtDeg }) => ({ differs: differsDeg, doubt: doubtDeg, beside: true })),
  ]
  return [
    ...(notThrough.length > 0 ? [{ by: 'not-to-apex' as const, sides: notThrough }] : []),
    ...singleCauses(found, suspects).map(({ what, off, times, leaves }) => ({
      by: 'measure' as const,
      ...what,
      off,
      times,
      leavesDeg: leaves,
    })),
  ]
}
