import { and, count, eq, isNull, sql } from 'drizzle-orm'
import type { OwnerName } from '../../core/exchange/api/owners'
import type { Database } from '../database/connection'
import { records } from '../database/schema'

/** The owners that stand on blades in use, whether there is a record of them or not, by their names. */
export function listOwnerNames(db: Database): Promise<OwnerName[]> {
  const name = sql<string>`(${records.content} ->> 'owner')`
  return db
    .select({ name, blades: count() })
    .from(records)
    .where(and(eq(records.kind, 'blades'), isNull(records.archivedAt), sql`${name} <> ''`))
    .groupBy(name)
    .orderBy(name)
}
