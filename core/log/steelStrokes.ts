import { ofKind } from './activeEntries'
import type { LogEntry, Strokes } from './entry'

/** The strokes that took steel off: not those on a strop, after which the bevel is as it was. Log: oldest first. */
export const steelStrokes = (log: readonly LogEntry[]): Strokes[] =>
  ofKind(log, 'strokes').filter(({ strop }) => !strop)
