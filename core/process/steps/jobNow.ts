import type { LogEntry } from '../../log/entry'
import type { SetupSnapshot } from '../../log/setupSnapshot'
import type { JobAsSet } from '../../observe/ledger/against'
import { zonesOfBlade, type Zone } from '../../records/blade/zones'
import { adviseDial } from '../../geometry/dial/advised'
import { SIDES, type Side } from '../../records/common/side'
import type { Job } from '../../records/job/job'
import type { Purpose } from '../../records/job/purpose'
import { onBlade } from '../../log/activeEntries'
import { edgePointAt, type EdgePoint } from '../../math/curve/edgePoints'
import type { KnownHold } from '../../records/job/knownHold'
import { nth } from '../../math/list'
import { heldAs } from '../../records/job/positions'
import { isForMicroBevel, wantedWith } from '../../records/job/stoneUses'
import type { Evaluation } from '../../uncertainty/evaluate'
import type { Setup } from '../../geometry/setup/setup'

/** A job as it stands: how it is set, what it comes to, and what happened on it. */
export interface JobNow {
  readonly setup: Setup
  readonly job: Pick<
    Job,
    | 'rigId'
    | 'bladeId'
    | 'stoneId'
    | 'onMicroBevel'
    | 'wanted'
    | 'microBevel'
    | 'stropAddDeg'
    | 'dialled'
    | 'gaugeZero'
    | 'gaugeAxes'
    | 'progression'
    | 'positions'
  > &
    KnownHold
  readonly purpose: Purpose
  /** At the place that the dial is for. */
  readonly evaluation: Evaluation
  /** How the job is set, as an entry of its log would have it. */
  readonly setNow: SetupSnapshot
  /** The active entries of this job, oldest first. */
  readonly log: readonly LogEntry[]
  readonly stoneOf?: JobAsSet['stoneOf']
  /** The blade's, where they are known already. */
  readonly zones?: readonly Zone[]
}

/** The same with what every step asks of it. */
export interface JobAsked extends JobNow {
  readonly sides: readonly Side[]
  /** The place that the dial is for. */
  readonly dialFor: EdgePoint
  /** What happened with the blade that the job has now. */
  readonly found: readonly LogEntry[]
  readonly against: JobAsSet
  /** What to dial on a side for what is wanted of it with the stone on the rod; worked out once. */
  advice(side: Side): ReturnType<typeof adviseDial>
}

export function asked(now: JobNow): JobAsked {
  let { zones } = now
  return {
    ...now,
    sides: now.setup.blade.bevels === 'A' ? ['A'] : SIDES,
    dialFor: now.evaluation.edgePoint,
    found: onBlade(now.log, now.job.bladeId),
    advice: adviceFor(now.setup, now.job, now.evaluation.edgePoint),
    against: {
      setup: now.setup,
      job: now.job,
      setNow: now.setNow,
      dialFor: now.evaluation.edgePoint,
      get zones() {
        return (zones ??= zonesOfBlade(now.setup.blade))
      },
      stoneOf: now.stoneOf ?? (() => undefined),
    },
  }
}

/** What to dial on each side, worked out when it is first asked for. */
function adviceFor(setup: Setup, job: JobNow['job'], dialFor: EdgePoint): JobAsked['advice'] {
  const advised: Partial<Record<Side, ReturnType<typeof adviseDial>>> = {}
  return (side) => (advised[side] ??= adviseDial(setup, side, wantedOnRod(setup, job, side), dialFor))
}

/** What a side is to be set to with the stone that is on the rod, degrees per side. */
export const wantedOnRod = ({ stone }: Pick<Setup, 'stone'>, job: JobNow['job'], side: Side): number =>
  wantedWith(job, side, stone, isForMicroBevel(job))

/** The clamping positions of the job, one after the other; null where one hold does for all of the edge. */
export const positionsOf = ({ job }: Pick<JobAsked, 'job'>): readonly (number | null)[] =>
  job.positions ? job.positions.each.map((_, i) => i + 1) : [null]

/** The job as it would be held in one of its clamping positions, from 1 on: as it is, where it is held so, or null. */
export function heldIn(now: JobAsked, position: number | null): JobAsked {
  if (position === null || position === now.setNow.position || !now.job.positions) return now
  const kept = nth(now.job.positions.each, position - 1)
  const hold = heldAs(kept, now.setup.hold)
  const setup = { ...now.setup, hold, worked: kept }
  const dialFor = edgePointAt(setup.blade.edge, kept.dialForMm)
  return {
    ...now,
    setup,
    setNow: { ...now.setNow, hold, position },
    dialFor,
    advice: adviceFor(setup, now.job, dialFor),
  }
}
