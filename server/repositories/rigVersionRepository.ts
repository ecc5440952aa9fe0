import { and, asc, eq } from 'drizzle-orm'
import { rigVersion, type RigVersion } from '../../core/kept/rigVersion'
import { rigMeasures } from '../../core/rig/rig'
import type { Database } from '../store/database'
import { rigs, rigVersions } from '../store/schema'

/** Keeps what a rig is now before it is written over: jobs go on with the version they were done with. */
export async function keepRigVersion(db: Database, rigId: string, revision?: number): Promise<void> {
  const ofThis = revision === undefined ? eq(rigs.id, rigId) : and(eq(rigs.id, rigId), eq(rigs.revision, revision))
  const [row] = await db.select().from(rigs).where(ofThis)
  if (row) await takeOverRigVersion(db, { rigId, revision: row.revision, content: rigMeasures.parse(row) })
}

export const takeOverRigVersion = (db: Database, version: RigVersion) =>
  db.insert(rigVersions).values(version).onConflictDoNothing()

/** Every version kept, of all rigs. */
export async function listRigVersions(db: Database): Promise<RigVersion[]> {
  const rows = await db.select().from(rigVersions).orderBy(asc(rigVersions.rigId), asc(rigVersions.revision))
  return rows.map((row) => rigVersion.parse(row))
}
