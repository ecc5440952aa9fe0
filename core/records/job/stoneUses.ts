import type { Side } from '../common/side'
import type { Stone } from '../stone/stone'
import type { Job } from './job'

/** What a stone of a job is put on for: the edge bevel (a strop: its apex), or the micro-bevel after it. */
export interface StoneUse {
  readonly stoneId: string
  readonly forMicroBevel: boolean
}

type Wanted = Pick<Job, 'wanted' | 'microBevel' | 'stropAddDeg'>

/** The angle that the apex is to have, degrees per side: that of the micro-bevel, where there is to be one. */
export const wantedAtApexDeg = ({ wanted, microBevel }: Pick<Wanted, 'wanted' | 'microBevel'>, side: Side): number =>
  wanted.deg[side] + (microBevel?.addDeg ?? 0)

/**
 * What a side is to be set to with a stone, degrees per side: the angle of the bevel, or that of the micro-bevel; a
 * strop lies at the apex's, or so much steeper or flatter.
 */
export function wantedWith(job: Wanted, side: Side, { kind }: Pick<Stone, 'kind'>, forMicroBevel: boolean): number {
  if (kind === 'strop') return Math.max(MOST_FLAT_DEG, wantedAtApexDeg(job, side) + job.stropAddDeg)
  return forMicroBevel ? wantedAtApexDeg(job, side) : job.wanted.deg[side]
}
/** No strop lies flatter than this, degrees. */
const MOST_FLAT_DEG = 1

/** Whether the stone on the rod is there for the micro-bevel. */
export const isForMicroBevel = ({ microBevel, onMicroBevel }: Pick<Job, 'microBevel' | 'onMicroBevel'>): boolean =>
  microBevel !== null && onMicroBevel

/**
 * The stones of a job in their order: those that were chosen, or the one on the rod; the micro-bevel is ground after
 * the last that grinds and before the strops, with the stone that was chosen for it or that last one again.
 */
export function stoneUses(
  { progression, stoneId, microBevel }: Pick<Job, 'progression' | 'stoneId' | 'microBevel'>,
  kindOf: (stoneId: string) => Stone['kind'] | undefined,
): StoneUse[] {
  const ids = progression.length > 0 ? progression : [stoneId]
  const uses = ids.map((id) => ({ stoneId: id, forMicroBevel: false }))
  const last = ids.findLastIndex((id) => kindOf(id) !== 'strop')
  const ground = microBevel && (microBevel.stoneId ?? ids[last])
  if (!ground) return uses
  return [...uses.slice(0, last + 1), { stoneId: ground, forMicroBevel: true }, ...uses.slice(last + 1)]
}
