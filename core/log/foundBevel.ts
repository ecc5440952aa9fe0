import type { Side } from '../records/common/side'
import { ofKind } from './activeEntries'
import type { BevelFound, LogEntry } from './entry'

/** What was last recorded as the bevel of a side. */
export interface RecordedBevel {
  readonly entry: BevelFound
  /** Whether there are marker tests that it does not know of. */
  readonly testedSince: boolean
}

/** The bevel that was recorded for a side; null while none was. Log: the active entries at the blade, oldest first. */
export function recordedBevel(log: readonly LogEntry[], side: Side): RecordedBevel | null {
  const entry = ofKind(log, 'bevel-found').findLast((one) => one.side === side)
  if (!entry) return null
  return { entry, testedSince: ofKind(log, 'ink-look').some((one) => one.side === side && one.at > entry.at) }
}
