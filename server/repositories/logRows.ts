import { max } from 'drizzle-orm'
import type { ListedLog } from '../../core/exchange/api/lists'
import { readEntry, type StoredEntry } from '../../core/log/stored'
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

/** How far the log goes. */
export async function logUpTo(db: Database): Promise<number> {
  const [last] = await db.select({ upTo: max(log.received) }).from(log)
  return last?.upTo ?? 0
}
