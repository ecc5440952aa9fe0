import { ofKind } from '../log/activeEntries'
import type { LogEntry } from '../log/entry'

/** Where a blade stands in a job: nothing was done yet, it is being worked on, its edge is ready, its owner has it. */
export type Standing = 'received' | 'on-the-bench' | 'ready' | 'handed-back'

/** From what happened on the job alone. Log: its active entries. */
export function standingOf(log: readonly LogEntry[]): Standing {
  if (ofKind(log, 'handed-back').length > 0) return 'handed-back'
  if (ofKind(log, 'put-to-use').length > 0) return 'ready'
  return log.length > 0 ? 'on-the-bench' : 'received'
}
