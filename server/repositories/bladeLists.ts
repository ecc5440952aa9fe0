import { and, desc, eq, inArray, isNotNull, sql } from 'drizzle-orm'
import type { BladePage, LastJob } from '../../core/exchange/api/lists'
import type { Database } from '../database/connection'
import { linkOf, records, standings } from '../database/schema'
import { partOf, wordsFound, type AskedPart } from './partOfList'
import { readRows } from './recordRepository'

/** When a blade was last done or, where that is later, measured. */
const lastHandled = sql`greatest(${records.updatedAt}, (
  select max(job.updated_at) from things job where job.kind = 'jobs' and job.content ->> 'bladeId' = ${records.id}::text
))`

/** A part of the blades that are put away or not, those first that were in hand last; words are its own. */
export async function pageOfBlades(db: Database, asked: AskedPart): Promise<BladePage> {
  const found = wordsFound(asked.search)
  if (asked.owner) found.push(sql`${records.content} ->> 'owner' = ${asked.owner}`)
  const { rows, ...part } = await partOf(db, 'blades', asked, lastHandled, found)
  const ids = rows.map(({ id }) => id)
  return { ...part, ...readRows('blades', rows), last: await lastJobsOf(db, ids) }
}

/** When each of some blades was last done, on which rig, and whether it still is. */
async function lastJobsOf(db: Database, bladeIds: readonly string[]): Promise<LastJob[]> {
  const rows = await db
    .selectDistinctOn([linkOf('bladeId')], {
      bladeId: sql<string>`${linkOf('bladeId')}`,
      rigId: sql<string>`${linkOf('rigId')}`,
      updatedAt: records.updatedAt,
      isOnBench: sql<boolean>`${records.archivedAt} is null and ${standings.standing} is distinct from 'handed-back'`,
    })
    .from(records)
    .leftJoin(standings, eq(standings.jobId, records.id))
    .where(and(eq(records.kind, 'jobs'), inArray(linkOf('bladeId'), [...bladeIds]), isNotNull(linkOf('rigId'))))
    .orderBy(linkOf('bladeId'), desc(records.updatedAt))
  return rows.map(({ updatedAt, ...last }) => ({ ...last, updatedAt: updatedAt.toISOString() }))
}
