import { and, asc, eq } from 'drizzle-orm'
import { readRigVersion, type RigVersion, type StoredVersion } from '../../core/records/storage/rigVersion'
import type { Database } from '../database/connection'
import { records, recordVersions } from '../database/schema'

/** Keeps what a record is now before it is written over. `revision`: only if it is at that one. */
export async function keepVersion(db: Database, thingId: string, revision?: number): Promise<void> {
  const ofThis = eq(records.id, thingId)
  const [row] = await db
    .select()
    .from(records)
    .where(revision === undefined ? ofThis : and(ofThis, eq(records.revision, revision)))
  if (!row) return
  const { revision: was, version, content } = row
  await takeOverVersions(db, [{ thingId, revision: was, version, content, until: new Date().toISOString() }])
}

/** Adds versions; those that are here already stay as they are. */
export const takeOverVersions = (db: Database, given: readonly StoredVersion[]) =>
  db
    .insert(recordVersions)
    .values(
      given.map(({ content, until, ...version }) => ({
        ...version,
        content,
        until: until ? new Date(until) : null,
      })),
    )
    .onConflictDoNothing()

/** Whether a record was at a revision that has been written over since. */
export async function wasAt(db: Database, thingId: string, revision: number): Promise<boolean> {
  const rows = await db
    .select({ revision: recordVersions.revision })
    .from(recordVersions)
    .where(and(eq(recordVersions.thingId, thingId), eq(recordVersions.revision, revision)))
  return rows.length > 0
}

/** Every version kept, of all records. */
export async function listVersions(db: Database): Promise<StoredVersion[]> {
  const rows = await db.select().from(recordVersions).orderBy(asc(recordVersions.thingId), asc(recordVersions.revision))
  return rows.map(({ until, ...version }) => ({ ...version, until: until?.toISOString() ?? null }))
}

/** What rigs were before they were measured anew, as far as it can be read. */
export const listRigVersions = async (db: Database): Promise<RigVersion[]> =>
  (await listVersions(db)).flatMap((version) => readRigVersion(version) ?? [])
