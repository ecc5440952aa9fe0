import type { LogEntry } from '../log/entry'

/** Where a blade stands in a job: nothing was done yet, it is being worked on, its edge is ready, its owner has it. */
export const STANDINGS = ['received', 'on-the-bench', 'ready', 'handed-back'] as const
export type Standing = (typeof STANDINGS)[number]

/** What of an entry decides where a job stands. */
export interface Decides {
  readonly kind: LogEntry['kind']
  /** Of strokes: whether they were on a strop. */
  readonly strop?: boolean
}

/**
 * From what happened on the job alone: the last of its strokes on a stone, being put to use and being handed back
 * decides. Log: its active entries, oldest first.
 */
export function standingOf(log: readonly Decides[]): Standing {
  const decides = (one: Decides) =>
    one.kind === 'put-to-use' || one.kind === 'handed-back' || (one.kind === 'strokes' && !one.strop)
  const last = log.findLast(decides)
  if (last?.kind === 'handed-back') return 'handed-back'
  if (last?.kind === 'put-to-use') return 'ready'
  return log.length > 0 ? 'on-the-bench' : 'received'
}
