import type { StepId } from '../log/stepIds'
import type { LogEntry } from '../log/entry'
import { ofKind } from '../log/activeEntries'
import type { Blade } from '../records/blade/blade'
import { SIDES } from '../records/common/side'
import type { Job } from '../records/job/job'
import { wantedOf } from '../records/job/stoneUses'
import type { Purpose } from '../records/job/purpose'

const SET_UP = ['hold', 'height', 'dial'] as const
const GRINDING = ['put-on', 'grind', 'burr', 'prove', 'put-to-use', 'outcome'] as const

/** The steps that each purpose expects. Source: docs/process.md. */
export const EXPECTED: Readonly<Record<Purpose, readonly StepId[]>> = {
  'touch-up': ['wanted', ...SET_UP, 'read', ...GRINDING],
  sharpen: ['wanted', ...SET_UP, 'read', 'mark', 'decide', 'stones', ...GRINDING],
  'new-angle': ['wanted', ...SET_UP, 'read', 'stones', ...GRINDING],
  thin: ['wanted', ...SET_UP, 'read', 'stones', ...GRINDING],
  'micro-bevel': ['wanted', ...SET_UP, 'read', ...GRINDING],
  'find-angle': [...SET_UP, 'mark'],
}

/** A bevel nearer than this to what is wanted is the same again, degrees. */
const SAME_ANGLE_DEG = 1

/**
 * What a job with a blade is most likely for. An edge that was proved at the wanted angle on an earlier job, or its
 * micro-bevel at its own, is touched up; a bevel that is known to have another angle gets a new one; else the bevel
 * that is there is followed. `earlier`: the active entries of other jobs with the blade.
 */
export function usualPurpose(
  blade: Pick<Blade, 'bevels' | 'bevelDeg'>,
  job: Pick<Job, 'wanted' | 'microBevel'>,
  earlier: readonly LogEntry[],
): Purpose {
  const sides = blade.bevels === 'A' ? (['A'] as const) : SIDES
  const { wanted } = job
  const near = (deg: number, of: number) => Math.abs(deg - of) <= SAME_ANGLE_DEG
  const proofs = ofKind(earlier, 'proof').filter(({ setup }) => setup !== null)
  const proved = sides.every((side) => {
    const last = proofs.findLast((one) => one.side === side)
    return last !== undefined && near(last.deg, wantedOf(job, side, last.setup?.forMicroBevel ?? false))
  })
  if (proved) return 'touch-up'
  const known = blade.bevelDeg
  return wanted.why !== '' && known && !sides.every((side) => near(known[side], wanted.deg[side]))
    ? 'new-angle'
    : 'sharpen'
}
