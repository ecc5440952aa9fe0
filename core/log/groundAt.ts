import type { Side } from '../records/common/side'
import { ofKind } from './activeEntries'
import type { InkLookEntry, LogEntry } from './entry'
import { steelStrokes } from './steelStrokes'

/** When steel was last taken off a side; empty where it never was. Log: active entries, oldest first. */
export const groundAt = (log: readonly LogEntry[], side: Side): string =>
  steelStrokes(log).findLast((one) => one.side === side)?.at ?? ''

/** The marker tests that tell of the bevel as it is now: those made since steel was last taken off their side. */
export const testsSinceGround = (log: readonly LogEntry[]): InkLookEntry[] =>
  ofKind(log, 'ink-look').filter(({ side, at }) => at >= groundAt(log, side))
