import type { Side } from '../common/side'
import type { Stone } from '../stone/stone'
import type { Job } from './job'

/** What a stone of a job is put on for: the edge bevel (a strop: its apex), or the micro-bevel after it. */
export interface StoneUse {
  readonly stoneId: string
  readonly forMicroBevel: boolean
}

type Wanted = Pick<Job, 'wanted' | 'microBevel'>

/** The angle that a side's edge bevel is to have, or its micro-bevel, degrees per side. */
export const wantedOf = ({ wanted, microBevel }: Wanted, side: Side, forMicroBevel: boolean): number =>
  wanted.deg[side] + (forMicroBevel ? (microBevel?.addDeg ?? 0) : 0)

/** The angle that the apex is to have, degrees per side: that of the micro-bevel, where there is to be one. */
export const wantedAtApexDeg = (job: Wanted, side: Side): number => wantedOf(job, side, true)

/**
 * What a side is to be set to with a stone, degrees per side: the angle of the bevel, or that of the micro-bevel; a
 * strop lies at the apex's, or so much steeper or flatter.
 */
export const wantedWith = (
  job: Wanted & Pick<Job, 'stropAddDeg'>,
  side: Side,
  { kind }: Pick<Stone, 'kind'>,
  forMicroBevel: boolean,
): number =>
  kind === 'strop'
    ? Math.max(FLATTEST_STROP_DEG, wantedAtApexDeg(job, side) + job.stropAddDeg)
    : wantedOf(job, side, forMicroBevel)
const FLATTEST_STROP_DEG = 1

/** Whether the stone on the rod is there for the micro-bevel. */
export const isForMicroBevel = ({ microBevel, onMicroBevel }: Pick<Job, 'microBevel' | 'onMicroBevel'>): boolean =>
  microBevel !== null && onMicroBevel

/**
 * The stones of an order, each for the bevel, and one of them for the micro-bevel: after the last that grinds and
 * before the strops, with a stone of its own (`microBevel.stone`) or, null, with that last one again.
 */
export function usesInOrder<S>(
  order: readonly S[],
  isStrop: (stone: S) => boolean,
  microBevel: { readonly stone: S | null } | null,
): { readonly stone: S; readonly forMicroBevel: boolean }[] {
  const uses = order.map((stone) => ({ stone, forMicroBevel: false }))
  const last = order.findLastIndex((stone) => !isStrop(stone))
  const stone = microBevel && (microBevel.stone ?? order[last])
  return stone ? [...uses.slice(0, last + 1), { stone, forMicroBevel: true }, ...uses.slice(last + 1)] : uses
}

/** The stones of a job in their order, with what each is on for: those that were chosen, or the one on the rod. */
export function stoneUses(
  { progression, stoneId: onRodId, microBevel }: Pick<Job, 'progression' | 'stoneId' | 'microBevel'>,
  kindOf: (stoneId: string) => Stone['kind'] | undefined,
): StoneUse[] {
  const ids = progression.length > 0 ? progression : [onRodId]
  const isStrop = (id: string) => kindOf(id) === 'strop'
  return usesInOrder(ids, isStrop, microBevel && { stone: microBevel.stoneId }).map(
    ({ stone: stoneId, forMicroBevel }) => ({ stoneId, forMicroBevel }),
  )
}
