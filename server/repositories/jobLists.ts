import { and, desc, eq, inArray, isNull, like, or, sql, type SQL } from 'drizzle-orm'
import { z } from 'zod'
import { activeEntries, ofKind } from '../../core/log/activeEntries'
import { bestOfEachLevel } from '../../core/simulation/practice/best'
import type { AroundJob, JobPage, ListedLog } from '../../core/exchange/api/lists'
import { STANDINGS } from '../../core/use/standing'
import type { JobRecord } from '../../core/records/storage/kinds'
import { storedKinds } from '../../core/log/entry'
import type { Database } from '../database/connection'
import { linkOf, log, records, rigOfEntry } from '../database/schema'
import { logUpTo, readLog, type LogRow } from './logRows'
import { askedPart, partOf, wordsFound } from './partOfList'
import { listNamed, readRows } from './recordRepository'
import { standsAs } from './standings'

const isJob = eq(records.kind, 'jobs')

/** A part of the jobs as it is asked for, wherever they stand or those alone that stand so. */
export const askedJobs = askedPart.extend({ standing: z.enum(STANDINGS).nullable().default(null) })
export type AskedJobs = z.infer<typeof askedJobs>

/** A part of the jobs on the bench or off it, the last changed first. */
export async function pageOfJobs(db: Database, asked: AskedJobs): Promise<JobPage> {
  const found = wordsFound(asked.search)
  if (asked.owner)
    found.push(
      sql`${linkOf('bladeId')} in (select id::text from things where kind = 'blades' and content ->> 'owner' = ${asked.owner})`,
    )
  if (asked.standing) found.push(standsAs(asked.standing))
  const { rows, ...part } = await partOf(db, 'jobs', asked, sql`${records.updatedAt}`, found)
  const jobs = readRows('jobs', rows)
  const blades = await listNamed(db, 'blades', [...new Set(jobs.records.map(({ bladeId }) => bladeId))])
  const ids = rows.map(({ id }) => id)
  return {
    ...part,
    records: jobs.records,
    blades: blades.records,
    unreadable: [...jobs.unreadable, ...blades.unreadable],
    log: await logWhere(db, inArray(log.jobId, ids)),
  }
}

const logWhere = async (db: Database, where: SQL | undefined) =>
  readLog(await db.select().from(log).where(where).orderBy(log.received), await logUpTo(db))

const MOST_EARLIER = 50
const MOST_PROOFS = 300
const MOST_OF_BLADE = 1500
/** What tells of the bevel that a blade has, and of what became of its edges, on whatever job. */
const TELLS_OF_BLADE = (
  [
    'ink-look',
    'proof',
    'bevel-found',
    'bevel-width',
    'strokes',
    'sharpness',
    'put-to-use',
    'outcome',
    'retraction',
  ] as const
).flatMap(storedKinds)

/** What bears on a job with a rig and a blade; without a job, on one that is to be. */
export async function aroundAJob(
  db: Database,
  { jobId, rigId, bladeId }: { jobId: string | null; rigId: string; bladeId: string },
): Promise<AroundJob> {
  const newest = (where: SQL | undefined, limit: number) =>
    db.select().from(log).where(where).orderBy(desc(log.received)).limit(limit)
  const onThisRig = db
    .select({ id: records.id })
    .from(records)
    .where(and(isJob, eq(linkOf('rigId'), rigId)))
  const proved = await newest(
    and(
      inArray(log.kind, [...storedKinds('proof'), ...storedKinds('retraction')]),
      or(inArray(log.jobId, onThisRig), eq(rigOfEntry(log.content), rigId)),
    ),
    MOST_PROOFS,
  )
  const others: LogRow[][] = [
    jobId ? await db.select().from(log).where(eq(log.jobId, jobId)) : [],
    await newest(and(eq(log.bladeId, bladeId), inArray(log.kind, TELLS_OF_BLADE)), MOST_OF_BLADE),
    await newest(eq(log.kind, 'reading'), 1),
    await newest(and(eq(log.kind, 'proof'), sql`${log.content} ->> 'instrumentId' is not null`), 1),
  ]
  const rows = new Map([...proved, ...others.flat()].map((row) => [row.received, row]))
  const earlier = await db
    .select()
    .from(records)
    .where(and(isJob, eq(linkOf('bladeId'), bladeId)))
    .orderBy(desc(records.updatedAt), desc(records.id))
    .limit(MOST_EARLIER)
  const provedOn = [...new Set(proved.flatMap((entry) => (entry.kind === 'proof' ? (entry.jobId ?? []) : [])))]
  const jobsProvedOn = provedOn.length === 0 ? [] : await db.select().from(records).where(inArray(records.id, provedOn))
  const jobs = new Map(
    readRows('jobs', [...earlier, ...jobsProvedOn]).records.map((job): [string, JobRecord] => [job.id, job]),
  )
  const inOrder = [...rows.values()].sort((a, b) => a.received - b.received)
  const named = [bladeId, ...inOrder.map((entry) => entry.bladeId), ...[...jobs.values()].map((job) => job.bladeId)]
  const blades = await listNamed(db, 'blades', [...new Set(named.filter((id) => id !== null))])
  return { jobs: [...jobs.values()], blades: blades.records, log: readLog(inOrder, await logUpTo(db)) }
}

/** Names of jobs that begin so. */
export async function jobNames(db: Database, beginning: string): Promise<string[]> {
  const pattern = `${beginning.replace(/[\\%_]/g, '\\$&')}%`
  const rows = await db
    .select({ name: records.name })
    .from(records)
    .where(and(isJob, like(records.name, pattern)))
  return rows.map(({ name }) => name)
}

/**
 * What bears on every job: how stones wore and what each did on whatever job, and of what was practised the best of
 * each level.
 */
export async function logOfAllJobs(db: Database): Promise<ListedLog> {
  const doneStones = inArray(log.kind, storedKinds('stone-done'))
  const ofStones = db
    .select({ id: sql<string>`${log.id}::text` })
    .from(log)
    .where(doneStones)
  const retracted = and(
    inArray(log.kind, storedKinds('retraction')),
    inArray(sql`${log.content} ->> 'entryId'`, ofStones),
  )
  const { entries, ...rest } = await logWhere(db, or(isNull(log.jobId), doneStones, retracted))
  const best = new Set(bestOfEachLevel(ofKind(activeEntries(entries), 'practice')).map(({ id }) => id))
  return { ...rest, entries: entries.filter(({ kind, id }) => kind !== 'practice' || best.has(id)) }
}
