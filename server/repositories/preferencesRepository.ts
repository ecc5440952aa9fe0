import { and, eq } from 'drizzle-orm'
import {
  keptPreferences,
  preferences as content,
  type KeptPreferences,
  type Preferences,
} from '../../core/kept/preferences'
import type { Database } from '../store/database'
import { preferences } from '../store/schema'

const ONLY_ROW = 1

/** The user's preferences; revision 0 until the first write. */
export async function readPreferences(db: Database): Promise<KeptPreferences> {
  const [row] = await db.select().from(preferences).where(eq(preferences.id, ONLY_ROW))
  return row ? keptPreferences.parse(row) : { ...content.parse({}), revision: 0 }
}

/** Writes them if `revision` is the stored one; null when it is outdated. */
export async function writePreferences(
  db: Database,
  revision: number,
  wanted: Preferences,
): Promise<KeptPreferences | null> {
  const values = { ...wanted, revision: revision + 1 }
  const rows =
    revision === 0
      ? await db
          .insert(preferences)
          .values({ ...values, id: ONLY_ROW })
          .onConflictDoNothing()
          .returning()
      : await db
          .update(preferences)
          .set(values)
          .where(and(eq(preferences.id, ONLY_ROW), eq(preferences.revision, revision)))
          .returning()
  return rows[0] ? keptPreferences.parse(rows[0]) : null
}
