import { and, asc, count, eq } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { failed, type Result } from '../../core/schema/result'
import { bladePhoto, MOST_PHOTOS, type BladePhoto } from '../../core/records/storage/bladePhoto'
import type { Database } from '../database/connection'
import { photos, records } from '../database/schema'

export const photoOf = (row: typeof photos.$inferSelect): BladePhoto =>
  bladePhoto.parse({ ...row, createdAt: row.createdAt.toISOString() })

/** The pictures of one blade, or of all, oldest first. */
export async function listPhotos(db: Database, bladeId: string | null): Promise<BladePhoto[]> {
  const rows = await db
    .select()
    .from(photos)
    .where(bladeId === null ? undefined : eq(photos.bladeId, bladeId))
    .orderBy(asc(photos.createdAt), asc(photos.id))
  return rows.map(photoOf)
}

export type AddedPhoto = Result<{ readonly photo: BladePhoto }, 'no-such-blade' | 'too-many'>

type NewPhoto = Omit<BladePhoto, 'id' | 'createdAt'> & { id?: string }

/** Keeps a picture of a blade, under its id where it had one. One at a time: the limit of number holds. */
export const addPhoto = (db: Database, photo: NewPhoto): Promise<AddedPhoto> => db.transaction((tx) => added(tx, photo))

async function added(db: Database, { id = newId(), bladeId, caption, image }: NewPhoto): Promise<AddedPhoto> {
  const [blade] = await db
    .select({ id: records.id })
    .from(records)
    .where(and(eq(records.id, bladeId), eq(records.kind, 'blades')))
    .for('update')
  if (!blade) return failed('no-such-blade')
  const [kept] = await db.select({ photos: count() }).from(photos).where(eq(photos.bladeId, bladeId))
  if (kept!.photos >= MOST_PHOTOS) return failed('too-many')
  const [row] = await db.insert(photos).values({ id, bladeId, caption, image }).returning()
  return { ok: true, photo: photoOf(row!) }
}

/** Adds pictures of another copy of the data; those that are here already stay as they are. */
export const takeOverPhotos = (db: Database, given: readonly BladePhoto[]) =>
  db
    .insert(photos)
    .values(given.map((photo) => ({ ...photo, createdAt: new Date(photo.createdAt) })))
    .onConflictDoNothing()

/** Takes a picture away; answers whether there was one. */
export async function removePhoto(db: Database, id: string): Promise<boolean> {
  const gone = await db.delete(photos).where(eq(photos.id, id)).returning({ id: photos.id })
  return gone.length > 0
}
