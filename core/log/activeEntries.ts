import type { EntryKind, EntryOf, LogEntry } from './entry'

type Dated = Pick<LogEntry, 'id' | 'at'>
/** In the order of the log: by time, then by id. Both are ASCII: they are compared sign by sign, not by a language. */
export const byTime = (a: Dated, b: Dated): number => inOrder(a.at, b.at) || inOrder(a.id, b.id)
const inOrder = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0)

/** By the id of an entry, the ids of those that retract it. */
export type Retractions = ReadonlyMap<string, readonly string[]>

/**
 * Whether an entry holds: not retracted, or brought back since. It is retracted while a retraction of it holds; to
 * bring it back, that retraction is retracted.
 */
export const isActive = (id: string, retractions: Retractions, above: readonly string[] = []): boolean =>
  !(retractions.get(id) ?? []).some(
    (retraction) => !above.includes(retraction) && isActive(retraction, retractions, [...above, id]),
  )

/** The entries of a log that hold, oldest first, without the retractions themselves. */
export const activeEntries = (log: readonly LogEntry[]): LogEntry[] =>
  activeLines(log, (entry) => (entry.kind === 'retraction' ? entry.entryId : null))

/** The same of lines that stand for entries. `retracts`: which entry a line retracts; null where it retracts none. */
export function activeLines<T extends Dated>(log: readonly T[], retracts: (line: T) => string | null): T[] {
  const retractions = new Map<string, string[]>()
  for (const line of log) {
    const retracted = retracts(line)
    if (retracted === null) continue
    const others = retractions.get(retracted)
    if (others) others.push(line.id)
    else retractions.set(retracted, [line.id])
  }
  return log.filter((line) => retracts(line) === null && isActive(line.id, retractions)).sort(byTime)
}

/** Those of one kind. */
export const ofKind = <K extends EntryKind>(log: readonly LogEntry[], kind: K): EntryOf<K>[] =>
  log.filter((entry): entry is EntryOf<K> => entry.kind === kind)

/** Those that are of a blade, or of none: a job may have had another one before. */
export const onBlade = (log: readonly LogEntry[], bladeId: string): LogEntry[] =>
  log.filter((entry) => entry.bladeId === null || entry.bladeId === bladeId)
