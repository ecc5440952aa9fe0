import { and, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm'
import { LISTED_TODAY, type DueJob, type DullBlade, type Today } from '../../core/exchange/api/today'
import { activeEntries } from '../../core/log/activeEntries'
import { storedKinds, type EntryKind, type LogEntry } from '../../core/log/entry'
import { dullBy } from '../../core/use/edgeLife'
import { sharpeningsOf } from '../../core/use/sharpenings'
import { standingOf } from '../../core/use/standing'
import type { RecordOf } from '../../core/records/storage/kinds'
import type { Database } from '../database/connection'
import { log, records } from '../database/schema'
import { readLog } from './logRepository'
import { listNamed, readRows } from './recordRepository'

/** What tells of the life of edges, and of where a blade stands in a job. */
const TELLS_OF_LIFE = kindsStored('put-to-use', 'outcome', 'retraction')
const TELLS_OF_STANDING = kindsStored('put-to-use', 'handed-back', 'strokes', 'retraction')
function kindsStored(...kinds: EntryKind[]): string[] {
  return kinds.flatMap(storedKinds)
}

/** The bench's day. `now`: the moment that it is looked at. */
export async function readToday(db: Database, now: string): Promise<Today> {
  return { due: firstOf(await dueJobs(db)), dull: firstOf(await dullBlades(db, now)) }
}

/** Jobs that are wanted back and are not handed back, the most pressing first. */
export async function dueJobs(db: Database): Promise<DueJob[]> {
  const dueOn = sql`(${records.content} ->> 'dueOn')`
  const rows = await db
    .select()
    .from(records)
    .where(and(eq(records.kind, 'jobs'), isNull(records.archivedAt), isNotNull(dueOn)))
    .orderBy(dueOn, records.id)
  const jobs = readRows('jobs', rows).records
  const ids = jobs.map(({ id }) => id)
  const happened = await db
    .select()
    .from(log)
    .where(and(inArray(log.jobId, ids), inArray(log.kind, TELLS_OF_STANDING)))
    .orderBy(log.received)
  const entries = activeEntries(readLog(happened, 0).entries)
  const blades = await bladesOf(
    db,
    jobs.map(({ bladeId }) => bladeId),
  )
  return jobs.flatMap(({ id: jobId, name, dueOn: on, bladeId }) => {
    const standing = standingOf(entries.filter((one) => one.jobId === jobId))
    if (on === null || standing === 'handed-back') return []
    return [{ jobId, name, dueOn: on, isReady: standing === 'ready', ...toldOf(blades, bladeId) }]
  })
}

/** What the log says of the life of edges, blade by blade, kept until more of it comes in. */
const known = new WeakMap<Database, { readonly upTo: number; readonly byBlade: ReadonlyMap<string, LogEntry[]> }>()

async function livesByBlade(db: Database): Promise<ReadonlyMap<string, LogEntry[]>> {
  const [newest] = await db
    .select({ received: log.received })
    .from(log)
    .where(inArray(log.kind, TELLS_OF_LIFE))
    .orderBy(desc(log.received))
    .limit(1)
  const upTo = newest?.received ?? 0
  const before = known.get(db)
  if (before?.upTo === upTo) return before.byBlade
  const rows = await db.select().from(log).where(inArray(log.kind, TELLS_OF_LIFE)).orderBy(log.received)
  const byBlade = new Map<string, LogEntry[]>()
  for (const entry of activeEntries(readLog(rows, upTo).entries)) {
    if (entry.bladeId === null) continue
    const of = byBlade.get(entry.bladeId)
    if (of) of.push(entry)
    else byBlade.set(entry.bladeId, [entry])
  }
  known.set(db, { upTo, byBlade })
  return byBlade
}

async function dullBlades(db: Database, now: string): Promise<DullBlade[]> {
  const dull = [...(await livesByBlade(db))].flatMap(([bladeId, entries]) => {
    // How long edges last does not depend on their angle: which sides are bevelled is all one here.
    const sharpenings = sharpeningsOf(entries, { bevels: 'both' })
    const last = sharpenings.at(-1)
    const found = dullBy(sharpenings, now)
    return last && found ? [{ bladeId, jobId: last.jobId, at: last.at, dull: found }] : []
  })
  const blades = await bladesOf(
    db,
    dull.map(({ bladeId }) => bladeId),
  )
  const inUse = dull.filter(({ bladeId }) => blades.get(bladeId)?.archivedAt === null)
  return inUse
    .sort((a, b) => Number(b.dull.is === 'said') - Number(a.dull.is === 'said') || (a.at < b.at ? -1 : 1))
    .map(({ bladeId, jobId, dull: found }) => ({ ...toldOf(blades, bladeId), jobId, dull: found }))
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
const firstOf = <T>(all: readonly T[]) => ({
  first: all.slice(0, LISTED_TODAY),
  more: Math.max(0, all.length - LISTED_TODAY),
})
