import { and, count, desc, eq, sql, type SQL } from 'drizzle-orm'
import { z } from 'zod'
import { nth } from '#core/math/list'
import { LISTED_AT_ONCE, MOST_LISTED_AT_ONCE } from '../../core/exchange/api/lists'
import type { RecordKind } from '../../core/records/storage/kinds'
import type { Database } from '../database/connection'
import { records } from '../database/schema'
import type { RecordRow } from './recordRepository'

/** What ends a part, and begins the next: the moment it is ordered by and the id. */
const cursor = z.string().refine((text) => {
  const { at, id } = cursorOf(text)
  return /^[12]/.test(at) && z.iso.datetime().safeParse(at).success && z.uuid().safeParse(id).success
})
function cursorOf(text: string): { at: string; id: string } {
  const [at = '', id = ''] = text.split('_')
  return { at, id }
}

/** A part of a list as it is asked for: put away or not, words, whose, where the part before ended, how many. */
export const askedPart = z.object({
  away: z.stringbool().default(false),
  search: z.string().max(200).default(''),
  /** Whose blades, by the name; empty: everyone's. */
  owner: z.string().max(80).default(''),
  from: cursor.nullable().default(null),
  limit: z.coerce.number().int().min(1).max(MOST_LISTED_AT_ONCE).default(LISTED_AT_ONCE),
})
export type AskedPart = z.infer<typeof askedPart>

const MOST_WORDS = 8

/**
 * A search as conditions, all of which hold: each of its words begins one that the record is looked for by; of a job,
 * one of its blade, whose it is, or its rig too.
 */
export function wordsFound(search: string): SQL[] {
  const words = (search.match(/[\p{L}\p{N}]+/gu) ?? []).slice(0, MOST_WORDS)
  if (words.length === 0) return []
  const query = words.map((word) => `'${word}':*`).join(' & ')
  return [sql`${records.id} in (select id from record_words where words @@ to_tsquery('simple', ${query}))`]
}

/** A part of the records of a kind that are put away or not, the latest first by a moment that each row has. */
export async function partOf(
  db: Database,
  kind: RecordKind,
  { away, from, limit }: AskedPart,
  moment: SQL,
  found: readonly SQL[],
): Promise<{ rows: RecordRow[]; total: number; elsewhere: number; next: string | null }> {
  // As the index has it.
  const inPlace = (isAway: boolean) => and(eq(records.kind, kind), sql`(${records.archivedAt} is null) = ${!isAway}`)
  const asked = and(inPlace(away), ...found)
  const counted = async (where: SQL | undefined) =>
    nth(await db.select({ records: count() }).from(records).where(where), 0).records
  const after = from && cursorOf(from)
  const rows = await db
    .select({ row: records, at: sql<Date>`${moment}`.mapWith(records.updatedAt) })
    .from(records)
    .where(and(asked, after ? sql`(${moment}, ${records.id}) < (${after.at}, ${after.id})` : undefined))
    .orderBy(desc(moment), desc(records.id))
    .limit(limit + 1)
  const shown = rows.slice(0, limit)
  const [last] = shown.slice(-1)
  return {
    rows: shown.map(({ row }) => row),
    total: await counted(asked),
    elsewhere: await counted(inPlace(!away)),
    next: rows.length > limit && last ? `${last.at.toISOString()}_${last.row.id}` : null,
  }
}
