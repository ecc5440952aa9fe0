import { z } from 'zod'
import { revision } from '../records/common/meta'
import { perSide, type PerSide, type Side } from '../records/common/side'
import { clampPosition } from '../records/job/clampPosition'
import type { Job } from '../records/job/job'
import { positionNumber, positionOf } from '../records/job/positions'
import { isForMicroBevel } from '../records/job/stoneUses'
import { dialSetting, type DialSetting } from '../records/rig/dials/readings'
import { deg, mm } from '../schema/measure'
import { rawOf, type Raw } from '../schema/versioned'

const setting = dialSetting.nullable().default(null)
const angle = deg({ least: 0, most: 90 }).nullable().default(null)

/**
 * How the rig was set when something happened on a job. Null is what an entry of an earlier version did not say. New
 * ones are made by `setupNow` alone.
 */
export const setupSnapshot = z.object({
  rigId: z.uuid().nullable(),
  rigRevision: revision.nullable(),
  /** The jaws that were fitted; null also on a table. */
  jawsName: z.string().max(40).nullable(),
  stoneId: z.uuid().nullable(),
  /** Whether the stone was on for the micro-bevel. */
  forMicroBevel: z.boolean().default(false),
  hold: clampPosition.nullable(),
  /** Which of the job's positions, from 1 on; null also where it has none. */
  position: positionNumber,
  /** What was dialled on each side. */
  setting: z.object({ A: setting, B: setting }),
  /** The set angles, and the place of the edge where they were so, arc length from the heel. */
  placeMm: mm({ least: 0, most: 3000 }).nullable(),
  setDeg: z.object({ A: angle, B: angle }),
})
export type SetupSnapshot = z.infer<typeof setupSnapshot>

/** What is known of how a job is set: the rig as it is measured for it, and the set angles at a place. */
export interface JobSetup {
  readonly job: Pick<
    Job,
    'rigId' | 'stoneId' | 'hold' | 'dialled' | 'dialForMm' | 'positions' | 'microBevel' | 'onMicroBevel'
  >
  readonly rig: { readonly revision: number; readonly jaws: { readonly name: string } | null }
  readonly placeMm: number
  /** Degrees; null on a side that has no angle. */
  readonly setDeg: PerSide<number | null>
}

/** How a job is set now, for an entry of its log. */
export function setupNow({ job, rig, placeMm, setDeg }: JobSetup): SetupSnapshot {
  const { rigId, stoneId, hold, dialled } = job
  return {
    rigId,
    rigRevision: rig.revision,
    jawsName: rig.jaws?.name ?? null,
    stoneId,
    forMicroBevel: isForMicroBevel(job),
    hold,
    position: positionOf(job),
    setting: { A: dialled.A, B: dialled.B },
    placeMm,
    setDeg: perSide((side) => setDeg[side]),
  }
}

/** What an entry of an earlier version said of one side. */
interface SaidBefore {
  readonly rigId?: unknown
  readonly rigRevision?: unknown
  readonly stoneId?: unknown
  readonly hold?: unknown
  readonly setting: unknown
  readonly placeMm?: unknown
  readonly setDeg?: unknown
}

/** A snapshot of what an earlier version said, for migrations: what it did not say is null. */
function setupAsSaid(side: unknown, said: SaidBefore): Raw {
  const on = (of: Side, value: unknown) => (of === side ? (value ?? null) : null)
  return {
    rigId: said.rigId ?? null,
    rigRevision: said.rigRevision ?? null,
    jawsName: null,
    stoneId: said.stoneId ?? null,
    hold: said.hold ?? null,
    position: null,
    setting: perSide((of) => on(of, said.setting)),
    placeMm: said.placeMm ?? null,
    setDeg: perSide((of) => on(of, said.setDeg)),
  }
}

/** Migrates an entry that said by itself what was dialled: that becomes its setup. */
export function settingIntoSetup({ setting, rigId, ...entry }: Raw): Raw {
  const { side, stoneId } = entry
  return { ...entry, setup: setupAsSaid(side, { rigId, stoneId, setting }) }
}

/** Migrates a proof that said by itself what the bevel was cut with. */
export function cutIntoSetup({ cut, ...entry }: Raw): Raw {
  if (cut === null || cut === undefined) return { ...entry, setup: null }
  const { rigId, rigRevision, setting, hold, setDeg } = rawOf(cut)
  const { side, stoneId, placeMm } = entry
  return { ...entry, setup: setupAsSaid(side, { rigId, rigRevision, stoneId, hold, setting, placeMm, setDeg }) }
}

/** Whether it comes from an earlier version, which knew what was dialled on one side alone. */
export const isOfEarlierVersion = ({ setting }: SetupSnapshot): boolean => setting.A === null || setting.B === null

/** What was dialled on a side, as far as it was said. */
export const settingOn = (setup: SetupSnapshot | null, side: Side): DialSetting | null => setup?.setting[side] ?? null
