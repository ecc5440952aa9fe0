import type { LogEntry } from '../log/entry'

/** Where a blade stands in a job: nothing was done yet, it is being worked on, its edge is ready, its owner has it. */
export type Standing = 'received' | 'on-the-bench' | 'ready' | 'handed-back'

/**
 * From what happened on the job alone: the last of its strokes on a stone, being put to use and being handed back
 * decides. Log: its active entries, oldest first.
 */
export function standingOf(log: readonly LogEntry[]): Standing {
  const decides = (one: LogEntry) =>
    one.kind === 'put-to-use' || one.kind === 'handed-back' || (one.kind === 'strokes' && !one.strop)
  const last = log.findLast(decides)
  if (last?.kind === 'handed-back') return 'handed-back'
  if (last?.kind === 'put-to-use') return 'ready'
  return log.length > 0 ? 'on-the-bench' : 'received'
}
