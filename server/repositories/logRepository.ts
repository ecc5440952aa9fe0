import { asc, gt, max } from 'drizzle-orm'
import { z } from 'zod'
import { rawOf } from '../../core/schema/versioned'
import type { ListedLog } from '../../core/exchange/api/lists'
import type { LogEntry } from '../../core/log/entry'
import { readEntry, storeEntry, type StoredEntry } from '../../core/log/stored'
import type { Database } from '../database/connection'
import { log } from '../database/schema'
import { jobsTold, noteStandings } from './standings'

export const storedEntryOf = ({ id, kind, at, version, content }: LogRow): StoredEntry => ({
  id,
  kind,
  at: at.toISOString(),
  version,
  content,
})

const uuid = z.uuid()
const idIn = (content: unknown, field: 'jobId' | 'bladeId' | 'stoneId'): string | null => {
  const id = rawOf(content)[field]
  // What names nothing that can be is kept in its content, and found under no record.
  return uuid.safeParse(id).data ?? null
}

const retractedBy = (content: unknown): string | null => uuid.safeParse(rawOf(content).entryId).data ?? null

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
    const told = rows.map(({ jobId, content }) => ({ jobId, retracts: retractedBy(content) }))
    if (added.length > 0) await noteStandings(tx, await jobsTold(tx, told))
    return added.length
  })
}

export const append = (db: Database, entries: readonly LogEntry[]) => addEntries(db, entries.map(storeEntry))

/** The log as it is stored, in the order it came in. */
export async function listStoredEntries(db: Database): Promise<StoredEntry[]> {
  return (await db.select().from(log).orderBy(asc(log.received))).map(storedEntryOf)
}

export type LogRow = typeof log.$inferSelect

/** How far the log goes. */
export async function logUpTo(db: Database): Promise<number> {
  const [last] = await db.select({ upTo: max(log.received) }).from(log)
  return last?.upTo ?? 0
}

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

/** What came in after a place in the log, oldest first. */
export async function listLog(db: Database, after: number): Promise<ListedLog> {
  const rows = await db.select().from(log).where(gt(log.received, after)).orderBy(asc(log.received))
  return readLog(rows, rows.at(-1)?.received ?? after)
}
