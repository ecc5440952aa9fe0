import { asc, eq, inArray } from 'drizzle-orm'
import type { BladeRecordLog } from '../../core/exchange/api/bladeRecord'
import { activeEntries } from '../../core/log/activeEntries'
import { storedKinds } from '../../core/log/entry'
import type { Database } from '../database/connection'
import { log, records } from '../database/schema'
import { logUpTo, readLog } from './logRows'

/** Everything that happened to a blade and holds, oldest first. */
export async function readBladeRecord(db: Database, bladeId: string): Promise<BladeRecordLog> {
  const own = await db.select().from(log).where(eq(log.bladeId, bladeId)).orderBy(asc(log.received))
  // A retraction may have been sent without saying of which blade.
  const jobIds = [...new Set(own.flatMap(({ jobId }) => jobId ?? []))]
  const retractions = await db
    .select()
    .from(log)
    .where(inArray(log.kind, storedKinds('retraction')))
  const rows = new Map([...own, ...retractions].map((row) => [row.received, row]))
  const read = readLog(
    [...rows.values()].sort((a, b) => a.received - b.received),
    await logUpTo(db),
  )
  const entries = activeEntries(read.entries).filter((entry) => entry.bladeId === bladeId)
  const jobs =
    jobIds.length === 0
      ? []
      : await db.select({ id: records.id, name: records.name }).from(records).where(inArray(records.id, jobIds))
  return { log: { ...read, entries }, jobs }
}

/** What things are called, by their ids. */
export async function namesOf(db: Database): Promise<(id: string) => string> {
  const named = await db.select({ id: records.id, name: records.name }).from(records)
  const names = new Map(named.map(({ id, name }) => [id, name]))
  return (id) => names.get(id) ?? ''
}
