import equal from 'fast-deep-equal'
import type { Side } from '../records/common/side'
import type { Job } from '../records/job/job'
import type { Dialled, LogEntry } from './entry'
import { ofKind } from './activeEntries'

/**
 * What is known of a hand having dialled a side: nothing was noted on this rig; noted, and set so still; or noted, and
 * another setting or another stone since.
 */
export type DialledState =
  | { readonly is: 'not-noted' }
  | { readonly is: 'noted'; readonly noted: Dialled }
  | { readonly is: 'changed'; readonly noted: Dialled }

/** How the dial of a side stands. Log: what is in force of the log of this job, oldest first. */
export function dialledState(
  log: readonly LogEntry[],
  job: Pick<Job, 'rigId' | 'stoneId' | 'dialled'>,
  side: Side,
): DialledState {
  const noted = ofKind(log, 'dialled').findLast((one) => one.side === side)
  if (!noted || noted.rigId !== job.rigId) return { is: 'not-noted' }
  const asNoted = noted.stoneId === job.stoneId && equal(noted.setting, job.dialled[side])
  return { is: asNoted ? 'noted' : 'changed', noted }
}
