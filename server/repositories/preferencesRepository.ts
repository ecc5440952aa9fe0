import { and, eq } from 'drizzle-orm'
import {
  preferences,
  readStoredPreferences,
  storePreferences,
  type KeptPreferences,
  type Preferences,
} from '../../core/records/preferences/preferences'
import { takenRevision } from '../../core/records/common/meta'
import type { Database } from '../database/connection'
import { settings } from '../database/schema'

const ONLY_ROW = 1

const parse = ({ revision, content }: typeof settings.$inferSelect): KeptPreferences => ({
  ...readStoredPreferences(content),
  revision,
})

/** The user's preferences; revision 0 until the first write. */
export async function readPreferences(db: Database): Promise<KeptPreferences> {
  const [row] = await db.select().from(settings).where(eq(settings.id, ONLY_ROW))
  return row ? parse(row) : { ...preferences.parse({}), revision: 0 }
}

/** Writes them if `revision` is the stored one; null when it is outdated. */
export async function writePreferences(
  db: Database,
  revision: number,
  wanted: Preferences,
): Promise<KeptPreferences | null> {
  const values = { content: storePreferences(wanted), revision: revision + 1 }
  const rows =
    revision === 0
      ? await db
          .insert(settings)
          .values({ ...values, id: ONLY_ROW })
          .onConflictDoNothing()
          .returning()
      : await db
          .update(settings)
          .set(values)
          .where(and(eq(settings.id, ONLY_ROW), eq(settings.revision, revision)))
          .returning()
  return rows[0] ? parse(rows[0]) : null
}

/** Puts another copy's preferences in the place of those that are kept; a later revision than both. */
export async function replacePreferences(db: Database, revision: number, wanted: Preferences): Promise<void> {
  const now = await readPreferences(db)
  if (revision === 0 && now.revision === 0) return
  const values = {
    content: storePreferences(wanted),
    revision: Math.max(now.revision, takenRevision(revision)) + 1,
  }
  await db
    .insert(settings)
    .values({ ...values, id: ONLY_ROW })
    .onConflictDoUpdate({ target: settings.id, set: values })
}
