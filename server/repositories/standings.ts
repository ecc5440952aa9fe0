import { eq, inArray, isNotNull, sql, type SQL } from 'drizzle-orm'
import { groupedBy } from '../../core/math/list'
import { activeLines } from '../../core/log/activeEntries'
import { kindOfStored } from '../../core/log/entry'
import { standingOf, type Standing } from '../../core/use/standing'
import type { Database } from '../database/connection'
import { linkOf, log, records, standings } from '../database/schema'
import { orRetractionWithout } from './logRows'

/** Writes where jobs stand with the blades that they have, from their log. */
export async function noteStandings(db: Database, jobIds: readonly string[]): Promise<void> {
  if (jobIds.length === 0) return
  const rows = await db
    .select({
      id: log.id,
      kind: log.kind,
      at: log.at,
      jobId: log.jobId,
      strop: sql<boolean>`(${log.content} ->> 'strop') is not distinct from 'true'`,
      entryId: sql<string | null>`${log.content} ->> 'entryId'`,
      // What happened with a blade that the job had before says nothing of this one.
      isOfBlade: sql<boolean>`coalesce(${log.bladeId}::text = ${linkOf('bladeId')}, true)`,
    })
    .from(log)
    .leftJoin(records, eq(records.id, log.jobId))
    .where(orRetractionWithout(log.jobId, inArray(log.jobId, [...jobIds])))
  const lines = rows.flatMap(({ kind: stored, at, ...row }) => {
    const kind = kindOfStored(stored)
    return kind === null ? [] : [{ ...row, kind, at: at.toISOString() }]
  })
  const holding = activeLines(lines, ({ kind, entryId }) => (kind === 'retraction' ? entryId : null))
  const ofBlade = holding.filter(({ isOfBlade }) => isOfBlade)
  const byJob = groupedBy(ofBlade, ({ jobId }) => jobId)
  const now = jobIds.map((jobId) => ({ jobId, standing: standingOf(byJob.get(jobId) ?? []) }))
  await db
    .insert(standings)
    .values(now)
    .onConflictDoUpdate({ target: standings.jobId, set: { standing: sql`excluded.standing` } })
}

/** The jobs that the log tells of. */
export const jobsTold = async (db: Database): Promise<string[]> =>
  (await db.selectDistinct({ id: log.jobId }).from(log).where(isNotNull(log.jobId))).flatMap(({ id }) => id ?? [])

/** That a job stands so; one of which nothing is told stands as received. */
export const standsAs = (standing: Standing): SQL =>
  standing === 'received'
    ? sql`not exists (select from standings where job_id = ${records.id} and standing <> 'received')`
    : sql`exists (select from standings where job_id = ${records.id} and standing = ${standing})`
