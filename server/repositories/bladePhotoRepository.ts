import { asc, count, eq } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { bladePhoto, MOST_PHOTOS, type BladePhoto } from '../../core/kept/bladePhoto'
import type { Database } from '../store/database'
import { bladePhotos, blades } from '../store/schema'

const parse = (row: typeof bladePhotos.$inferSelect): BladePhoto =>
  bladePhoto.parse({ ...row, createdAt: row.createdAt.toISOString() })

/** The pictures of one blade, or of all, oldest first. */
export async function listPhotos(db: Database, bladeId: string | null): Promise<BladePhoto[]> {
  const rows = await db
    .select()
    .from(bladePhotos)
    .where(bladeId === null ? undefined : eq(bladePhotos.bladeId, bladeId))
    .orderBy(asc(bladePhotos.createdAt), asc(bladePhotos.id))
  return rows.map(parse)
}

export type AddedPhoto = { ok: true; photo: BladePhoto } | { ok: false; why: 'no-such-blade' | 'too-many' }

/** Keeps a picture of a blade, under its id where it had one. */
export async function addPhoto(
  db: Database,
  { id = newId(), bladeId, caption, image }: Omit<BladePhoto, 'id' | 'createdAt'> & { id?: string },
): Promise<AddedPhoto> {
  const [blade] = await db.select({ id: blades.id }).from(blades).where(eq(blades.id, bladeId))
  if (!blade) return { ok: false, why: 'no-such-blade' }
  const [kept] = await db.select({ photos: count() }).from(bladePhotos).where(eq(bladePhotos.bladeId, bladeId))
  if (kept!.photos >= MOST_PHOTOS) return { ok: false, why: 'too-many' }
  const [row] = await db.insert(bladePhotos).values({ id, bladeId, caption, image }).returning()
  return { ok: true, photo: parse(row!) }
}

/** Adds a picture of another copy of the data; one that is here already stays as it is. */
export const takeOverPhoto = (db: Database, photo: BladePhoto) =>
  db
    .insert(bladePhotos)
    .values({ ...photo, createdAt: new Date(photo.createdAt) })
    .onConflictDoNothing()

/** Takes a picture away; answers whether there was one. */
export async function removePhoto(db: Database, id: string): Promise<boolean> {
  const gone = await db.delete(bladePhotos).where(eq(bladePhotos.id, id)).returning({ id: bladePhotos.id })
  return gone.length > 0
}
