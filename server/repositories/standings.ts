import { and, inArray, isNotNull, isNull, or, sql } from 'drizzle-orm'
import { activeLines } from '../../core/log/activeEntries'
import { groupedBy } from '../../core/math/list'
import { kindOfStored, storedKinds } from '../../core/log/entry'
import { standingOf } from '../../core/use/standing'
import type { Database } from '../database/connection'
import { log, standings } from '../database/schema'

const RETRACTION = storedKinds('retraction')
const JOBS_AT_ONCE = 500

/** Writes where jobs stand, from their log. */
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
    })
    .from(log)
    // A retraction may have been sent without saying of which job.
    .where(or(inArray(log.jobId, [...jobIds]), and(isNull(log.jobId), inArray(log.kind, RETRACTION))))
  const lines = rows.flatMap(({ kind: stored, at, ...row }) => {
    const kind = kindOfStored(stored)
    return kind === null ? [] : [{ ...row, kind, at: at.toISOString() }]
  })
  const holding = activeLines(lines, ({ kind, entryId }) => (kind === 'retraction' ? entryId : null))
  const byJob = groupedBy(holding, ({ jobId }) => jobId)
  const now = jobIds.map((jobId) => ({ jobId, standing: standingOf(byJob.get(jobId) ?? []) }))
  await db
    .insert(standings)
    .values(now)
    .onConflictDoUpdate({ target: standings.jobId, set: { standing: sql`excluded.standing` } })
}

/** The jobs that entries tell of, those whose entries they retract among them. */
export async function jobsTold(
  db: Database,
  entries: readonly { readonly jobId: string | null; readonly retracts: string | null }[],
): Promise<string[]> {
  const retracted = entries.flatMap(({ jobId, retracts }) => (jobId === null && retracts ? [retracts] : []))
  const of =
    retracted.length === 0
      ? []
      : await db
          .select({ jobId: log.jobId })
          .from(log)
          .where(and(inArray(log.id, retracted), isNotNull(log.jobId)))
  return [...new Set([...entries, ...of].flatMap(({ jobId }) => jobId ?? []))]
}

/** Writes where every job stands, where that was never written: the data are from before it was. */
export async function fillStandings(db: Database): Promise<void> {
  const [written] = await db.select({ jobId: standings.jobId }).from(standings).limit(1)
  if (written) return
  const told = await db.selectDistinct({ jobId: log.jobId }).from(log).where(isNotNull(log.jobId))
  const ids = told.flatMap(({ jobId }) => jobId ?? [])
  for (let at = 0; at < ids.length; at += JOBS_AT_ONCE) await noteStandings(db, ids.slice(at, at + JOBS_AT_ONCE))
}

/** Where each of some jobs stands; those of which nothing is told stand as received. */
export const standingIs = (jobId: unknown, standing: string) =>
  standing === 'received'
    ? sql`not exists (select from standings where job_id = ${jobId} and standing <> 'received')`
    : sql`exists (select from standings where job_id = ${jobId} and standing = ${standing})`
