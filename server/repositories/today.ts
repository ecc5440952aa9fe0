import { and, asc, count, eq, inArray, isNull, lte, ne, or, sql } from 'drizzle-orm'
import { LISTED_TODAY, type DueJob, type DullBlade, type Today } from '../../core/exchange/api/today'
import { dullBy } from '../../core/use/edgeLife'
import type { RecordOf } from '../../core/records/storage/kinds'
import type { Database } from '../database/connection'
import { lastEdges, records, standings } from '../database/schema'
import { listNamed, readRows } from './recordRepository'

/** The bench's day. `now`: the moment that it is looked at. */
export async function readToday(db: Database, now: string): Promise<Today> {
  const [due] = await db.select({ all: count() }).from(records).leftJoin(standings, OF_JOB).where(isDue)
  const first = await dueJobs(db, LISTED_TODAY)
  return { due: { first, more: (due?.all ?? 0) - first.length }, dull: await dullBlades(db, now) }
}

const dueOn = sql`(${records.content} ->> 'dueOn')`
const OF_JOB = eq(standings.jobId, records.id)
// As the index has it.
const isDue = and(
  sql`kind = 'jobs' and archived_at is null and content ->> 'dueOn' is not null`,
  or(isNull(standings.standing), ne(standings.standing, 'handed-back')),
)

/** Jobs that are wanted back and are not handed back, the most pressing first: so many at most, or all. */
export async function dueJobs(db: Database, most?: number): Promise<DueJob[]> {
  const asked = db
    .select({ row: records, standing: standings.standing })
    .from(records)
    .leftJoin(standings, OF_JOB)
    .where(isDue)
    .orderBy(asc(dueOn), asc(records.id))
  const rows = most === undefined ? await asked : await asked.limit(most)
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
