import type { EntryKind, EntryOf, LogEntry } from './entry'

/**
 * The entries that hold: not retracted, or brought back since. An entry is retracted while a retraction at it holds; to
 * bring it back, that retraction is retracted. Oldest first, by time and then by id.
 */
export function activeEntries(log: readonly LogEntry[]): LogEntry[] {
  const retractionsOf = new Map<string, string[]>()
  for (const entry of log) {
    if (entry.kind !== 'retraction') continue
    const others = retractionsOf.get(entry.entryId)
    if (others) others.push(entry.id)
    else retractionsOf.set(entry.entryId, [entry.id])
  }
  const holds = (id: string, above: readonly string[] = []): boolean =>
    !(retractionsOf.get(id) ?? []).some(
      (retraction) => !above.includes(retraction) && holds(retraction, [...above, id]),
    )
  return log
    .filter((entry) => entry.kind !== 'retraction' && holds(entry.id))
    .sort((a, b) => a.at.localeCompare(b.at) || a.id.localeCompare(b.id))
}

/** Those of one kind. */
export const ofKind = <K extends EntryKind>(log: readonly LogEntry[], kind: K): EntryOf<K>[] =>
  log.filter((entry): entry is EntryOf<K> => entry.kind === kind)

/** Those that are of a blade, or of none: a job may have had another one before. */
export const onBlade = (log: readonly LogEntry[], bladeId: string): LogEntry[] =>
  log.filter((entry) => entry.bladeId === null || entry.bladeId === bladeId)
