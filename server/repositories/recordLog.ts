import { and, asc, eq, inArray, isNull, or, sql, type SQL } from 'drizzle-orm'
import type { Recorded, RecordLog } from '../../core/exchange/api/recordLog'
import { activeEntries } from '../../core/log/activeEntries'
import { storedKinds } from '../../core/log/entry'
import type { Database } from '../database/connection'
import { linkOf, log, records, rigOfEntry } from '../database/schema'
import { logUpTo, readLog } from './logRows'

/** Everything that happened with a blade, a rig or a stone and holds, oldest first. */
export async function readRecord(db: Database, of: Recorded, id: string): Promise<RecordLog> {
  const own = await db
    .select()
    .from(log)
    .where(entriesOf(db, of, id))
    .orderBy(asc(log.received))
  const ownIds = new Set(own.map((entry) => entry.id))
  const jobIds = [...new Set(own.flatMap(({ jobId }) => jobId ?? []))]
  // A retraction may have been sent without saying of what.
  const retractions = await db
    .select()
    .from(log)
    .where(inArray(log.kind, storedKinds('retraction')))
  const rows = new Map([...own, ...retractions].map((row) => [row.received, row]))
  const read = readLog(
    [...rows.values()].sort((a, b) => a.received - b.received),
    await logUpTo(db),
  )
  const entries = activeEntries(read.entries).filter((entry) => ownIds.has(entry.id))
  const jobs =
    jobIds.length === 0
      ? []
      : await db.select({ id: records.id, name: records.name }).from(records).where(inArray(records.id, jobIds))
  return { log: { ...read, entries }, jobs }
}

function entriesOf(db: Database, of: Recorded, id: string): SQL | undefined {
  if (of === 'blade') return eq(log.bladeId, id)
  if (of === 'stone') return eq(log.stoneId, id)
  const onIt = db
    .select({ id: records.id })
    .from(records)
    .where(and(sql`kind = 'jobs'`, eq(linkOf('rigId'), id)))
  // What was made on another rig, before the job was given this one, is that one's.
  const rigId = rigOfEntry(log.content)
  return or(and(inArray(log.jobId, onIt), or(isNull(rigId), eq(rigId, id))), and(eq(log.kind, 'proof'), eq(rigId, id)))
}

/** What things are called, by their ids. */
export async function namesOf(db: Database): Promise<(id: string) => string> {
  const named = await db.select({ id: records.id, name: records.name }).from(records)
  const names = new Map(named.map(({ id, name }) => [id, name]))
  return (id) => names.get(id) ?? ''
}
