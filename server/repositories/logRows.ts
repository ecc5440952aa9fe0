import { and, asc, inArray, isNull, max, or, type SQL } from 'drizzle-orm'
import type { ListedLog } from '../../core/exchange/api/lists'
import { activeEntries } from '../../core/log/activeEntries'
import { storedKinds, type EntryKind, type LogEntry } from '../../core/log/entry'
import { readEntry, type StoredEntry } from '../../core/log/stored'
import { groupedBy } from '../../core/math/list'
import type { Database } from '../database/connection'
import { log } from '../database/schema'

export type LogRow = typeof log.$inferSelect

export const storedEntryOf = ({ id, kind, at, version, content }: LogRow): StoredEntry => ({
  id,
  kind,
  at: at.toISOString(),
  version,
  content,
})

/** Rows of the log, as far as they can be read. */
export function readLog(rows: readonly LogRow[], upTo: number): ListedLog {
  const listed: ListedLog = { entries: [], unreadable: [], upTo }
  for (const row of rows) {
    const read = readEntry(storedEntryOf(row))
    if (read.ok) listed.entries.push(read.entry)
    else listed.unreadable.push(read.unreadable)
  }
  return listed
}

const RETRACTION = storedKinds('retraction')
/** Such rows, and retractions that were sent without saying of which job or blade. */
export const orRetractionWithout = (column: typeof log.jobId | typeof log.bladeId, rows: SQL | undefined) =>
  or(rows, and(isNull(column), inArray(log.kind, RETRACTION)))

/** The entries of some blades that are of some kinds and hold, oldest first, by blade. */
export async function entriesOfBlades(
  db: Database,
  bladeIds: readonly string[],
  kinds: readonly EntryKind[],
): Promise<Map<string | null, LogEntry[]>> {
  const stored = [...kinds.flatMap(storedKinds), ...RETRACTION]
  const ofThese = and(inArray(log.bladeId, [...bladeIds]), inArray(log.kind, stored))
  const rows = await db.select().from(log).where(orRetractionWithout(log.bladeId, ofThese)).orderBy(asc(log.received))
  return groupedBy(activeEntries(readLog(rows, 0).entries), ({ bladeId }) => bladeId)
}

/** How far the log goes. */
export async function logUpTo(db: Database): Promise<number> {
  const [last] = await db.select({ upTo: max(log.received) }).from(log)
  return last?.upTo ?? 0
}
