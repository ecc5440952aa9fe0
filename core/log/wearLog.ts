import type { StoneWear } from '../records/stone/wear'
import type { LogEntry, WearEntry } from './entry'
import { ofKind } from './activeEntries'

/** The wear log of a stone in order of its days. `log`: what is in force. */
export const wearLogOf = (log: readonly LogEntry[], stoneId: string): WearEntry[] =>
  ofKind(log, 'stone-wear')
    .filter((entry) => entry.stoneId === stoneId)
    .sort((a, b) => a.on.localeCompare(b.on))

/** A line of a stone's wear log as an entry, at noon of its day. */
export const wearEntry = (stoneId: string, line: StoneWear, id: string): WearEntry => ({
  ...line,
  kind: 'stone-wear',
  id,
  at: `${line.on}T12:00:00.000Z`,
  stoneId,
  jobId: null,
  bladeId: null,
  instrumentId: null,
})
