import { nth } from '../../math/list'
import { SIDES, type Side } from '../../records/common/side'
import type { KnownHold } from '../../records/job/knownHold'
import { uncertaintyBudget, totalUncertaintyDeg, type UncertaintyShare } from '../../uncertainty/budget'
import type { MeasureId } from '../../uncertainty/measures'
import { edgeAngleShifter } from '../../uncertainty/shifted'
import { meanOffSquareDeg, readOffSquareDeg, SQUARE_BY_EYE_DEG } from '../gauge/offSquare'
import type { UnknownId } from '../../records/rig/unknowns'
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
  /** The gauge stood off square to the rod by so much: it read too low, and the steel is as it was set. */
  | { readonly by: 'off-square'; readonly off: number; readonly times: number; readonly leavesDeg: number }

/** At one place of a side. */
export interface ProvedAgainstSet {
  readonly side: Side
  /** The steel less the set angle, degrees. */
  readonly differsDeg: number
  /** Half-width of the proof alone, degrees. */
  readonly uncertaintyDeg: number
  readonly budget: readonly UncertaintyShare[]
  /** What was said of the apex. */
  readonly toApex: boolean | null
}

/** What a gauge read at one place. */
export interface ReadAgainstSet {
  readonly readDeg: number
  readonly mustDeg: number
  /** Half-width of the reading alone, degrees. */
  readonly uncertaintyDeg: number
  /** What each measure adds to the uncertainty of what is set there. */
  readonly budget: readonly UncertaintyShare[]
  /** How far it goes for a unit more of a measure, degrees. */
  moves(id: MeasureId): number
}

/** What was proved on the same rig before against what its measures give; uncertain by all that was that hold's own. */
export interface ProvedEarlier extends Omit<ProvedAgainstSet, 'toApex' | 'side'> {
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
  counted.flatMap(({ angle: { setup, side, pivotHeightMm, edgePoint, deg, uncertaintyDeg, stoneId: its } }) => {
    const set = edgeAngleShifter(setup, side, pivotHeightMm, edgePoint)({})
    if (set === null) return []
    const budget = uncertaintyBudget(setup, KNOWN_HOLD, side, pivotHeightMm, edgePoint)
    return [{ differsDeg: deg - set, uncertaintyDeg, budget, sameStone: its === stoneId }]
  })
/** What a rig and its stone bring along from one hold to the next. */
export const RIG_AND_STONE: readonly UnknownId[] = [
  'pivot-height',
  'pivot-height-b',
  'setback',
  'setback-b',
  'face-offset',
]
/** How well a hold is known does not change how far a measure of the rig moves the angle. */
const KNOWN_HOLD: KnownHold = {
  bladeHeightToleranceMm: 1,
  holdTolerance: { alongMm: 1, turnDeg: 1, centreOffsetMm: 1, tiltDeg: 1 },
}

/** Of the edge at one place: they tell nothing of another. */
const OF_PLACE: readonly MeasureId[] = ['edge-heading', 'edge-place']

/** What was proved on a job, and read on the stone, place by place. */
export interface ProvedAndRead {
  readonly proved: readonly ProvedAgainstSet[]
  readonly read?: readonly ReadAgainstSet[]
  readonly earlier?: readonly ProvedEarlier[]
}

/**
 * Single causes of a difference between what is proved or read and what is set, the likeliest first: an apex that was
 * not reached, then each measure by how far it would have to be off, in its tolerances, and how well that fits all
 * places of both sides, what the gauge read and all that was proved on this rig before. Empty where nothing differs
 * beyond its own uncertainty. Source: docs/calibration.md, "Why proved and set differ".
 */
export function proofCauses({ proved, read = [], earlier = [] }: ProvedAndRead): ProofCause[] {
  const differ = proved.filter(({ differsDeg, uncertaintyDeg }) => Math.abs(differsDeg) > uncertaintyDeg)
  const readOff = read.some(({ readDeg, mustDeg, uncertaintyDeg }) => Math.abs(readDeg - mustDeg) > uncertaintyDeg)
  if (differ.length === 0 && !readOff) return []
  const notThrough = SIDES.filter((side) => differ.some((one) => one.side === side && one.toApex !== true))
  const shareOf = ({ budget }: Pick<ProvedAgainstSet, 'budget'>, id: MeasureId) => budget.find((one) => one.id === id)
  const several = new Set(proved.map(({ side }) => side)).size < proved.length
  /** With several places of a side, what is one place's own makes each of them less sure. */
  const uncertaintyOf = (one: ProvedAgainstSet) =>
    Math.hypot(one.uncertaintyDeg, ...(several ? OF_PLACE.map((id) => shareOf(one, id)?.shareDeg ?? 0) : []))
  const budgets = [...proved, ...read, ...earlier]
  const ids = [...new Set(budgets.flatMap(({ budget }) => budget.map(({ id }) => id)))]
  const measures = ids.flatMap((id) => {
    if (several && OF_PLACE.includes(id)) return []
    const { tolerance, unit } = nth(
      budgets.flatMap((one) => shareOf(one, id) ?? []),
      0,
    )
    const perUnit = [
      ...proved.map((one) => shareOf(one, id)?.perUnitDeg ?? 0),
      ...read.map((one) => one.moves(id)),
      ...earlier.map((one) =>
        OF_RIG.includes(id) || (one.sameStone && OF_STONE.includes(id)) ? (shareOf(one, id)?.perUnitDeg ?? 0) : 0,
      ),
    ]
    return { what: { by: 'measure' as const, measure: id, unit }, tolerance, perUnit: (i: number) => nth(perUnit, i) }
  })
  const found = [
    ...proved.map((one) => ({ differs: one.differsDeg, uncertainty: uncertaintyOf(one) })),
    // Where the steel differs, what was read helps to tell causes apart, but need not be explained besides.
    ...read.map(({ readDeg, mustDeg, uncertaintyDeg, budget }) => {
      const beside = differ.length > 0
      return {
        differs: readDeg - mustDeg,
        uncertainty: beside ? Math.hypot(uncertaintyDeg, totalUncertaintyDeg(budget)) : uncertaintyDeg,
        beside,
      }
    }),
    ...earlier.map(({ differsDeg, uncertaintyDeg }) => ({
      differs: differsDeg,
      uncertainty: uncertaintyDeg,
      beside: true,
    })),
  ]
  const suspects = [...measures, ...gaugeOffSquare(read, proved.length)]
  return [
    ...(notThrough.length > 0 ? [{ by: 'not-to-apex' as const, sides: notThrough }] : []),
    ...singleCauses<(typeof suspects)[number]['what']>(found, suspects).map(({ what, off, times, leaves }) => ({
      ...what,
      off,
      times,
      leavesDeg: leaves,
    })),
  ]
}

/** The gauge as a suspect, where all it read is too low: turned off square as far as the readings say on the mean. */
function gaugeOffSquare(read: readonly ReadAgainstSet[], before: number) {
  const off = meanOffSquareDeg(read)
  if (off === null) return []
  const perUnit = (i: number): number => {
    const one = read[i - before]
    return one ? (readOffSquareDeg(one.mustDeg, off) - one.mustDeg) / off : 0
  }
  return [{ what: { by: 'off-square' as const }, tolerance: SQUARE_BY_EYE_DEG, perUnit, off }]
}
