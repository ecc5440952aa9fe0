import { and, asc, count, eq, inArray, isNull, lte, ne, or, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import {
  LEAST_BATCH,
  LISTED_TODAY,
  type DueJob,
  type DueLine,
  type DullBlade,
  type Today,
} from '../../core/exchange/api/today'
import { dullBy } from '../../core/use/edgeLife'
import type { RecordOf } from '../../core/records/storage/kinds'
import type { Database } from '../database/connection'
import { lastEdges, linkOf, records, standings } from '../database/schema'
import { listNamed, readRows } from './recordRepository'

/** The bench's day. `now`: the moment that it is looked at. */
export const readToday = async (db: Database, now: string): Promise<Today> => ({
  due: await dueLines(db),
  dull: await dullBlades(db, now),
})

const dueOn = sql`(${records.content} ->> 'dueOn')`
const OF_JOB = eq(standings.jobId, records.id)
// As the index has it.
const isDue = and(
  sql`things.kind = 'jobs' and things.archived_at is null and things.content ->> 'dueOn' is not null`,
  or(isNull(standings.standing), ne(standings.standing, 'handed-back')),
)

/** What is due, the most pressing first: jobs, and several blades of one owner for one day as one line. */
async function dueLines(db: Database): Promise<Today['due']> {
  const blade = alias(records, 'blade')
  const owner = sql<string>`coalesce(${blade.content} ->> 'owner', '')`
  const groups = await db
    .select({
      dueOn: sql<string>`${dueOn}`,
      owner,
      jobs: count(),
      ready: sql<number>`(count(*) filter (where ${standings.standing} = 'ready'))::int`,
      ids: sql<string[]>`array_agg(${records.id}::text order by ${records.id})`,
    })
    .from(records)
    .leftJoin(standings, OF_JOB)
    .leftJoin(blade, and(eq(blade.kind, 'blades'), eq(sql`${blade.id}::text`, linkOf('bladeId'))))
    .where(isDue)
    .groupBy(dueOn, owner)
    .orderBy(dueOn, owner)
  type Line = Extract<DueLine, { readonly jobs: number }> | { readonly id: string }
  const all = groups.flatMap(({ ids, ...batch }): Line[] =>
    batch.owner !== '' && batch.jobs >= LEAST_BATCH ? [batch] : ids.map((id) => ({ id })),
  )
  const shown = all.slice(0, LISTED_TODAY)
  const jobs = new Map(
    (
      await dueJobs(
        db,
        shown.flatMap((line) => ('id' in line ? line.id : [])),
      )
    ).map((job) => [job.jobId, job]),
  )
  const first = shown.flatMap((line): DueLine[] => {
    if (!('id' in line)) return [line]
    const job = jobs.get(line.id)
    return job ? [job] : []
  })
  const counted = (lines: readonly Line[]) => lines.reduce((sum, line) => sum + ('id' in line ? 1 : line.jobs), 0)
  return { first, more: counted(all) - counted(shown) }
}

/** Jobs that are wanted back and are not handed back, the most pressing first: those that are named, or all. */
export async function dueJobs(db: Database, ids?: readonly string[]): Promise<DueJob[]> {
  const rows = await db
    .select({ row: records, standing: standings.standing })
    .from(records)
    .leftJoin(standings, OF_JOB)
    .where(ids ? and(isDue, inArray(records.id, [...ids])) : isDue)
    .orderBy(asc(dueOn), asc(records.id))
  const standing = new Map(rows.map((one) => [one.row.id, one.standing]))
  const jobs = readRows(
    'jobs',
    rows.map(({ row }) => row),
  ).records
  const blades = await bladesOf(
    db,
    jobs.map(({ bladeId }) => bladeId),
  )
  return jobs.flatMap(({ id: jobId, name, dueOn: on, bladeId }) =>
    on === null
      ? []
      : [{ jobId, name, dueOn: on, isReady: standing.get(jobId) === 'ready', ...toldOf(blades, bladeId) }],
  )
}

async function dullBlades(db: Database, now: string): Promise<Today['dull']> {
  const dull = and(
    lte(lastEdges.dullFrom, new Date(now)),
    inArray(
      lastEdges.bladeId,
      db
        .select({ id: records.id })
        .from(records)
        .where(and(eq(records.kind, 'blades'), isNull(records.archivedAt))),
    ),
  )
  const [there] = await db.select({ all: count() }).from(lastEdges).where(dull)
  const listed = await db
    .select()
    .from(lastEdges)
    .where(dull)
    // Those of which somebody said so first.
    .orderBy(sql`coalesce(${lastEdges.said}, 'cuts-well') = 'cuts-well'`, asc(lastEdges.at))
    .limit(LISTED_TODAY)
  const blades = await bladesOf(
    db,
    listed.map(({ bladeId }) => bladeId),
  )
  const first = listed.flatMap(({ bladeId, jobId, at, said, usualDays }): DullBlade[] => {
    const found = dullBy({ at: at.toISOString(), said, usualDays }, now)
    return found ? [{ ...toldOf(blades, bladeId), jobId, dull: found }] : []
  })
  return { first, more: (there?.all ?? 0) - listed.length }
}

async function bladesOf(db: Database, ids: readonly string[]): Promise<ReadonlyMap<string, RecordOf<'blades'>>> {
  const { records: blades } = await listNamed(db, 'blades', [...new Set(ids)])
  return new Map(blades.map((blade) => [blade.id, blade]))
}
const toldOf = (blades: ReadonlyMap<string, RecordOf<'blades'>>, bladeId: string) => ({
  bladeId,
  blade: blades.get(bladeId)?.name ?? '',
  owner: blades.get(bladeId)?.owner ?? '',
})
