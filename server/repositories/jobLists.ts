import { and, count, desc, eq, inArray, isNull, isNotNull, like, or, sql, type SQL } from 'drizzle-orm'
import { z } from 'zod'
import type { AroundJob, JobPage, LastJobs } from '../../core/kept/lists'
import { readThing } from '../../core/kept/stored'
import type { KeptJob } from '../../core/kept/things'
import type { Database } from '../store/connection'
import { log, things, wordsOf } from '../store/schema'
import { logUpTo, readLog, type LogRow } from './logRepository'
import { storedThingOf } from './thingRepository'

const isJob = eq(things.kind, 'jobs')
const linkOf = (field: 'rigId' | 'bladeId'): SQL => sql`(${things.content} ->> ${sql.raw(`'${field}'`)})`

export interface AskedJobs {
  /** On the bench, or off it. */
  readonly away: boolean
  /** Words of the job, its blade (and whose it is), its rig. */
  readonly search: string
  /** Where the part before ended; null: from the beginning. */
  readonly from: string | null
  readonly limit: number
}

const MOST_WORDS = 8

/** A search as conditions, all of which hold: each word begins a word of the job, its blade or its rig. */
function wordsFound(search: string): SQL[] {
  const words = search.match(/[\p{L}\p{N}]+/gu) ?? []
  return words.slice(0, MOST_WORDS).map((word) => {
    const query = sql`to_tsquery('simple', ${`'${word}':*`})`
    const parts = sql`(select id::text from things where kind in ('rigs', 'blades') and ${wordsOf(things)} @@ ${query})`
    return sql`(${wordsOf(things)} @@ ${query} or ${linkOf('bladeId')} in ${parts} or ${linkOf('rigId')} in ${parts})`
  })
}

/** A part of the jobs on the bench or off it, the last changed first. */
export async function pageOfJobs(db: Database, { away, search, from, limit }: AskedJobs): Promise<JobPage> {
  // As the index has it.
  const inPlace = (isAway: boolean) => and(isJob, sql`(${things.archivedAt} is null) = ${!isAway}`)
  const asked = and(inPlace(away), ...wordsFound(search))
  const counted = async (where: SQL | undefined) =>
    (await db.select({ jobs: count() }).from(things).where(where))[0]!.jobs
  const after = from && cursorOf(from)
  const rows = await db
    .select()
    .from(things)
    .where(and(asked, after ? sql`(${things.updatedAt}, ${things.id}) < (${after.at}, ${after.id})` : undefined))
    .orderBy(desc(things.updatedAt), desc(things.id))
    .limit(limit + 1)
  const shown = rows.slice(0, limit)
  const [last] = shown.slice(-1)
  const page: JobPage = {
    things: [],
    unreadable: [],
    log: await logWhere(
      db,
      inArray(
        log.jobId,
        shown.map(({ id }) => id),
      ),
    ),
    total: await counted(asked),
    elsewhere: await counted(inPlace(!away)),
    next: rows.length > limit && last ? `${last.updatedAt.toISOString()}_${last.id}` : null,
  }
  for (const row of shown) {
    const read = readThing('jobs', storedThingOf(row))
    if (read.ok) page.things.push(read.thing)
    else page.unreadable.push(read.unreadable)
  }
  return page
}

/** What ends a part, and begins the next: the time of the last change and the id. */
export const jobCursor = z.string().refine((text) => {
  const { at, id } = cursorOf(text)
  return /^[12]/.test(at) && z.iso.datetime().safeParse(at).success && z.uuid().safeParse(id).success
})
function cursorOf(text: string): { at: string; id: string } {
  const [at = '', id = ''] = text.split('_')
  return { at, id }
}

const logWhere = async (db: Database, where: SQL | undefined) =>
  readLog(await db.select().from(log).where(where).orderBy(log.received), await logUpTo(db))

const MOST_EARLIER = 50
const MOST_PROOFS = 300
const MOST_LOOKS = 200

/** What bears on a job with a rig and a blade; without a job, on one that is to be. */
export async function aroundAJob(
  db: Database,
  { jobId, rigId, bladeId }: { jobId: string | null; rigId: string; bladeId: string },
): Promise<AroundJob> {
  const newest = (where: SQL | undefined, limit: number) =>
    db.select().from(log).where(where).orderBy(desc(log.received)).limit(limit)
  const onThisRig = db
    .select({ id: things.id })
    .from(things)
    .where(and(isJob, eq(linkOf('rigId'), rigId)))
  const proved = await newest(
    and(
      inArray(log.kind, ['proof', 'strike']),
      or(inArray(log.jobId, onThisRig), eq(sql`(${log.content} -> 'cut' ->> 'rigId')`, rigId)),
    ),
    MOST_PROOFS,
  )
  const others: LogRow[][] = [
    jobId ? await db.select().from(log).where(eq(log.jobId, jobId)) : [],
    await newest(and(eq(log.bladeId, bladeId), inArray(log.kind, ['ink-look', 'strike'])), MOST_LOOKS),
    await newest(eq(log.kind, 'reading'), 1),
    await newest(and(eq(log.kind, 'proof'), sql`${log.content} ->> 'instrumentId' is not null`), 1),
  ]
  const rows = new Map([...proved, ...others.flat()].map((row) => [row.received, row]))
  const earlier = await db
    .select()
    .from(things)
    .where(and(isJob, eq(linkOf('bladeId'), bladeId)))
    .orderBy(desc(things.updatedAt), desc(things.id))
    .limit(MOST_EARLIER)
  const provedOn = [...new Set(proved.flatMap((entry) => (entry.kind === 'proof' ? (entry.jobId ?? []) : [])))]
  const jobsProvedOn = provedOn.length === 0 ? [] : await db.select().from(things).where(inArray(things.id, provedOn))
  const jobs = new Map<string, KeptJob>()
  for (const row of [...earlier, ...jobsProvedOn]) {
    const read = readThing('jobs', storedThingOf(row))
    if (read.ok) jobs.set(row.id, read.thing)
  }
  const inOrder = [...rows.values()].sort((a, b) => a.received - b.received)
  return { jobs: [...jobs.values()], log: readLog(inOrder, await logUpTo(db)) }
}

/** When each blade was last done. */
export async function lastJobsOfBlades(db: Database): Promise<LastJobs> {
  const rows = await db
    .selectDistinctOn([linkOf('bladeId')], {
      bladeId: sql<string>`${linkOf('bladeId')}`,
      rigId: sql<string>`${linkOf('rigId')}`,
      updatedAt: things.updatedAt,
    })
    .from(things)
    .where(and(isJob, isNotNull(linkOf('bladeId')), isNotNull(linkOf('rigId'))))
    .orderBy(linkOf('bladeId'), desc(things.updatedAt))
  return rows.map(({ updatedAt, ...last }) => ({ ...last, updatedAt: updatedAt.toISOString() }))
}

/** Names of jobs that begin so. */
export async function jobNames(db: Database, beginning: string): Promise<string[]> {
  const pattern = `${beginning.replace(/[\\%_]/g, '\\$&')}%`
  const rows = await db
    .select({ name: things.name })
    .from(things)
    .where(and(isJob, like(things.name, pattern)))
  return rows.map(({ name }) => name)
}

/** What is of no job: how stones wore, what was practised. */
export const logOfNoJob = (db: Database) => logWhere(db, isNull(log.jobId))
