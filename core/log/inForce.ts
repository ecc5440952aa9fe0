import type { EntryKind, EntryOf, LogEntry } from './entry'

/**
 * The entries that hold: not struck out, or brought back since. An entry is struck out while a strike at it holds; to
 * bring it back, that strike is struck out. Oldest first, by time and then by id.
 */
export function inForce(log: readonly LogEntry[]): LogEntry[] {
  const strikesAt = new Map<string, string[]>()
  for (const entry of log) {
    if (entry.kind !== 'strike') continue
    const others = strikesAt.get(entry.entryId)
    if (others) others.push(entry.id)
    else strikesAt.set(entry.entryId, [entry.id])
  }
  const holds = (id: string, above: readonly string[] = []): boolean =>
    !(strikesAt.get(id) ?? []).some((strike) => !above.includes(strike) && holds(strike, [...above, id]))
  return log
    .filter((entry) => entry.kind !== 'strike' && holds(entry.id))
    .sort((a, b) => a.at.localeCompare(b.at) || a.id.localeCompare(b.id))
}

/** Those of one kind. */
export const ofKind = <K extends EntryKind>(log: readonly LogEntry[], kind: K): EntryOf<K>[] =>
  log.filter((entry): entry is EntryOf<K> => entry.kind === kind)

/** Those that are of a blade, or of none: a job may have had another one before. */
export const onBlade = (log: readonly LogEntry[], bladeId: string): LogEntry[] =>
  log.filter((entry) => entry.bladeId === null || entry.bladeId === bladeId)
