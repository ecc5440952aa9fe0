import { and, asc, eq } from 'drizzle-orm'
import { readRigVersion, type RigVersion, type StoredVersion } from '../../core/records/storage/rigVersion'
import type { Database } from '../database/connection'
import { things, thingVersions } from '../database/schema'

/** Keeps what a thing is now before it is written over. `revision`: only if it is at that one. */
export async function keepVersion(db: Database, thingId: string, revision?: number): Promise<void> {
  const ofThis = eq(things.id, thingId)
  const [row] = await db
    .select()
    .from(things)
    .where(revision === undefined ? ofThis : and(ofThis, eq(things.revision, revision)))
  if (row) await takeOverVersions(db, [{ thingId, revision: row.revision, version: row.version, content: row.content }])
}

/** Adds versions; those that are here already stay as they are. */
export const takeOverVersions = (db: Database, given: readonly StoredVersion[]) =>
  db
    .insert(thingVersions)
    .values(given.map((version) => ({ ...version, content: version.content })))
    .onConflictDoNothing()

/** Whether a thing was at a revision that has been written over since. */
export async function wasAt(db: Database, thingId: string, revision: number): Promise<boolean> {
  const rows = await db
    .select({ revision: thingVersions.revision })
    .from(thingVersions)
    .where(and(eq(thingVersions.thingId, thingId), eq(thingVersions.revision, revision)))
  return rows.length > 0
}

/** Every version kept, of all things. */
export async function listVersions(db: Database): Promise<StoredVersion[]> {
  return db.select().from(thingVersions).orderBy(asc(thingVersions.thingId), asc(thingVersions.revision))
}

/** What rigs were before they were measured anew, as far as it can be read. */
export const listRigVersions = async (db: Database): Promise<RigVersion[]> =>
  (await listVersions(db)).flatMap((version) => readRigVersion(version) ?? [])
