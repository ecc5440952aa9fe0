import { asc, gt } from 'drizzle-orm'
import { z } from 'zod'
import { rawOf } from '../../core/schema/versioned'
import type { ListedLog } from '../../core/exchange/api/lists'
import type { LogEntry } from '../../core/log/entry'
import { storeEntry, type StoredEntry } from '../../core/log/stored'
import type { Database } from '../database/connection'
import { log } from '../database/schema'
import { noteDerived } from './derived'
import { readLog, storedEntryOf } from './logRows'

const uuid = z.uuid()
const idIn = (content: unknown, field: 'jobId' | 'bladeId' | 'stoneId'): string | null => {
  const id = rawOf(content)[field]
  // What names nothing that can be is kept in its content, and found under no record.
  return uuid.safeParse(id).data ?? null
}

/** Adds entries in their order; those that are here already stay as they are. */
export async function addEntries(db: Database, entries: readonly StoredEntry[]): Promise<number> {
  if (entries.length === 0) return 0
  const rows = entries.map(({ at, content, ...entry }) => ({
    ...entry,
    at: new Date(at),
    content,
    jobId: idIn(content, 'jobId'),
    bladeId: idIn(content, 'bladeId'),
    stoneId: idIn(content, 'stoneId'),
  }))
  return db.transaction(async (tx) => {
    const added = await tx.insert(log).values(rows).onConflictDoNothing().returning({ id: log.id })
    if (added.length > 0) await noteDerived(tx, rows)
    return added.length
  })
}

export const append = (db: Database, entries: readonly LogEntry[]) => addEntries(db, entries.map(storeEntry))

/** The log as it is stored, in the order it came in. */
export async function listStoredEntries(db: Database): Promise<StoredEntry[]> {
  return (await db.select().from(log).orderBy(asc(log.received))).map(storedEntryOf)
}

/** What came in after a place in the log, oldest first. */
export async function listLog(db: Database, after: number): Promise<ListedLog> {
  const rows = await db.select().from(log).where(gt(log.received, after)).orderBy(asc(log.received))
  return readLog(rows, rows.at(-1)?.received ?? after)
}
