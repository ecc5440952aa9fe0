import { and, asc, eq, inArray, lt, ne, sql } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { rawOf, rawListOf } from '../../core/schema/versioned'
import { failed, type Failure } from '../../core/schema/result'
import { readRecord, type StoredRecord, type Unreadable } from '../../core/records/storage/stored'
import {
  RECORDS,
  versionOfKind,
  type ContentOf,
  type RecordOf,
  type RecordKind,
} from '../../core/records/storage/kinds'
import { takenRevision } from '../../core/records/common/meta'
import type { Database } from '../database/connection'
import { records } from '../database/schema'
import { noteStandings } from './standings'
import { keepVersion, listVersions, wasAt } from './versionRepository'

export type Written<K extends RecordKind> =
  | { readonly ok: true; readonly kept: RecordOf<K> }
  | Failure<'missing'>
  | (Failure<'outdated'> & { readonly current: RecordOf<K> })
  | (Failure<'no-such-link'> & { readonly field: string; readonly kind: string })
  | Failure<'name-taken'>

/** All of a kind: what can be read, and what cannot be. */
export interface Listed<K extends RecordKind> {
  records: RecordOf<K>[]
  unreadable: Unreadable[]
}

export type RecordRow = typeof records.$inferSelect

export const storedRecordOf = ({
  id,
  revision,
  createdAt,
  updatedAt,
  archivedAt,
  version,
  content,
}: RecordRow): StoredRecord => ({
  id,
  revision,
  createdAt: createdAt.toISOString(),
  updatedAt: updatedAt.toISOString(),
  archivedAt: archivedAt?.toISOString() ?? null,
  version,
  content,
})

const nameOf = (content: unknown): string => {
  const name = rawOf(content).name
  return typeof name === 'string' ? name : ''
}

const rowsOf = (db: Database, kind: RecordKind) =>
  db.select().from(records).where(eq(records.kind, kind)).orderBy(asc(records.createdAt), asc(records.id))

/** Everything of a kind as it is stored, in the order it was made. */
export const listStored = async (db: Database, kind: RecordKind): Promise<StoredRecord[]> =>
  (await rowsOf(db, kind)).map(storedRecordOf)

/** Rows as records: what can be read, and what cannot be. */
export function readRows<K extends RecordKind>(kind: K, rows: readonly RecordRow[]): Listed<K> {
  const listed: Listed<K> = { records: [], unreadable: [] }
  for (const row of rows) {
    const read = readRecord(kind, storedRecordOf(row))
    if (read.ok) listed.records.push(read.record)
    else listed.unreadable.push(read.unreadable)
  }
  return listed
}

/** Those of a kind that have these ids, put away or not. */
export const listNamed = async <K extends RecordKind>(
  db: Database,
  kind: K,
  ids: readonly string[],
): Promise<Listed<K>> => readRows(kind, await rowsNamed(db, kind, ids))

const rowsNamed = (db: Database, kind: RecordKind, ids: readonly string[]) =>
  db
    .select()
    .from(records)
    .where(and(eq(records.kind, kind), inArray(records.id, [...ids])))

const columnsOfStored = (kind: RecordKind, { version, content, ...record }: StoredRecord) => ({
  kind,
  version,
  content,
  revision: takenRevision(record.revision),
  name: nameOf(content),
  createdAt: new Date(record.createdAt),
  updatedAt: new Date(record.updatedAt),
  archivedAt: record.archivedAt === null ? null : new Date(record.archivedAt),
})

/**
 * Takes over records as another copy of the data has them: added when they are not here, written when the other copy is
 * newer, else left. Contents are not looked into: what this version cannot read is kept all the same. `here`: what of
 * them is here already.
 */
export async function takeOver(
  db: Database,
  kind: RecordKind,
  given: readonly StoredRecord[],
  here: ReadonlyMap<string, StoredRecord>,
): Promise<{ added: number; updated: number; left: number }> {
  const fresh = given.filter(({ id }) => !here.has(id))
  const rows = fresh.map((record) => ({ ...columnsOfStored(kind, record), id: record.id }))
  const inserted =
    rows.length === 0 ? [] : await db.insert(records).values(rows).onConflictDoNothing().returning({ id: records.id })
  let updated = 0
  for (const record of given) {
    const { id } = record
    const revision = takenRevision(record.revision)
    if ((here.get(id)?.revision ?? revision) >= revision) continue
    if (RECORDS[kind].keepsVersions) await keepVersion(db, id)
    const newer = await db
      .update(records)
      .set(columnsOfStored(kind, record))
      .where(and(eq(records.id, id), eq(records.kind, kind), lt(records.revision, revision)))
      .returning({ id: records.id })
    updated += newer.length
  }
  if (kind === 'jobs' && updated > 0)
    await noteStandings(
      db,
      given.map(({ id }) => id),
    )
  return { added: inserted.length, updated, left: given.length - inserted.length - updated }
}

/** Those of a kind that are here, of several. */
export async function storedAmong(
  db: Database,
  kind: RecordKind,
  ids: readonly string[],
): Promise<Map<string, StoredRecord>> {
  return new Map((await rowsNamed(db, kind, ids)).map((row) => [row.id, storedRecordOf(row)]))
}

/** Reads and writes one kind of record. A write names the revision it started from; an outdated one changes nothing. */
export function recordRepository<K extends RecordKind>(db: Database, kind: K) {
  const parse = (row: RecordRow): RecordOf<K> => {
    const read = readRecord(kind, storedRecordOf(row))
    if (!read.ok) throw new Error(`The ${kind} ${row.id} cannot be read: ${JSON.stringify(read.unreadable)}`)
    return read.record
  }
  const rowOf = async (id: string): Promise<RecordRow | null> => {
    const [row] = await db
      .select()
      .from(records)
      .where(and(eq(records.id, id), eq(records.kind, kind)))
    return row ?? null
  }

  /** Null where it is not there, or cannot be read. */
  const find = async (id: string): Promise<RecordOf<K> | null> => {
    const row = await rowOf(id)
    const read = row && readRecord(kind, storedRecordOf(row))
    return read?.ok ? read.record : null
  }

  /**
   * The first field that names a record which is not there. Nothing that is named is ever deleted, so a link that was
   * good stays so.
   */
  async function brokenLink(
    content: Record<string, unknown>,
    before: unknown = null,
  ): Promise<{ field: string; kind: string } | null> {
    const links = Object.entries<string>(RECORDS[kind].links)
    if (links.length === 0) return null
    const named = links.map(([field, of]) => ({ field, kind: of, id: String(content[field]) }))
    const { progression, microBevel } = content
    // Stones in their order, as far as the kind has such.
    if (Array.isArray(progression))
      named.push(...progression.map((id, i) => ({ field: `progression.${i}`, kind: 'stones', id: String(id) })))
    const microStoneId = rawOf(microBevel).stoneId
    if (microStoneId) named.push({ field: 'microBevel.stoneId', kind: 'stones', id: String(microStoneId) })
    const ids = named.map(({ id }) => id)
    const there = await db.select({ id: records.id, kind: records.kind }).from(records).where(inArray(records.id, ids))
    const broken = named.find(({ id, kind: of }) => !there.some((one) => one.id === id && one.kind === of))
    if (broken) return { field: broken.field, kind: broken.kind }
    const { rigId, rigRevision, jawsName } = content
    if (typeof rigRevision === 'number' && !(await hasRevision(String(rigId), rigRevision)))
      return { field: 'rigRevision', kind: 'rigs' }
    if (
      typeof jawsName === 'string' &&
      jawsName !== rawOf(before).jawsName &&
      !(await hasJaws(String(rigId), jawsName))
    )
      return { field: 'jawsName', kind: 'rigs' }
    return null
  }

  /** Whether a rig has such jaws, or had them when it was measured before. */
  async function hasJaws(rigId: string, name: string): Promise<boolean> {
    const versions = (await listVersions(db)).filter(({ thingId }) => thingId === rigId)
    const [now] = await db.select({ content: records.content }).from(records).where(eq(records.id, rigId))
    return [now, ...versions].some((version) => {
      const { jaws, moreJaws } = rawOf(version?.content)
      return [rawOf(jaws), ...rawListOf(moreJaws)].some((one) => one.name === name)
    })
  }

  /** Whether a record is, or was, at a revision. */
  async function hasRevision(id: string, revision: number): Promise<boolean> {
    const [now] = await db.select({ revision: records.revision }).from(records).where(eq(records.id, id))
    return now?.revision === revision || (await wasAt(db, id, revision))
  }

  const { namedBy } = RECORDS[kind]
  /** Whether another of a kind whose names are its own has that name, put away or not. */
  async function isTaken({ name }: { name: string }, id: string): Promise<boolean> {
    if (!namedBy) return false
    const another = and(eq(records.kind, kind), eq(records.name, name), ne(records.id, id))
    return (await db.select({ id: records.id }).from(records).where(another).limit(1)).length > 0
  }
  /** Those that named it by what it was called name it by what it is called now. */
  async function renameWhereNamed(tx: Database, before: string, now: string): Promise<void> {
    if (!namedBy || before === now) return
    const field = sql.raw(`'${namedBy.field}'`)
    await tx
      .update(records)
      .set({
        content: sql`jsonb_set(${records.content}, array[${field}], to_jsonb(${now}::text))`,
        revision: sql`${records.revision} + 1`,
        updatedAt: new Date(),
      })
      .where(and(eq(records.kind, namedBy.kind), sql`${records.content} ->> ${field} = ${before}`))
  }

  /** Writes columns if the stored revision is the one named. */
  async function write(id: string, revision: number, columns: Partial<RecordRow>): Promise<Written<K>> {
    const row = await db.transaction(async (tx) => {
      if (RECORDS[kind].keepsVersions) await keepVersion(tx, id, revision)
      const [before] = namedBy ? await tx.select().from(records).where(eq(records.id, id)) : []
      const [written] = await tx
        .update(records)
        .set({ ...columns, revision: revision + 1, updatedAt: new Date() })
        .where(and(eq(records.id, id), eq(records.kind, kind), eq(records.revision, revision)))
        .returning()
      if (written && before) await renameWhereNamed(tx, before.name, written.name)
      // It may have another blade now.
      if (written && kind === 'jobs') await noteStandings(tx, [id])
      return written
    })
    if (row) return { ok: true, kept: parse(row) }
    const current = await find(id)
    return current ? { ...failed('outdated'), current } : failed('missing')
  }

  const columnsOf = (content: ContentOf<K>) => ({ content, version: versionOfKind(kind), name: nameOf(content) })

  return {
    find,

    /** All that is not archived, or all, in the order it was made. */
    async list(withArchived = false): Promise<Listed<K>> {
      const all = readRows(kind, await rowsOf(db, kind))
      return withArchived ? all : { ...all, records: all.records.filter(({ archivedAt }) => archivedAt === null) }
    },

    /** Keeps something new under its id (a new one without). The same id again gives what is kept already. */
    async create(content: ContentOf<K>, id: string = newId()): Promise<Written<K>> {
      const broken = await brokenLink(content)
      if (broken) return { ...failed('no-such-link'), ...broken }
      if (await isTaken(content, id)) return failed('name-taken')
      const now = new Date()
      const [row] = await db
        .insert(records)
        .values({ id, kind, revision: 1, createdAt: now, updatedAt: now, ...columnsOf(content) })
        .onConflictDoNothing()
        .returning()
      const kept = row ? parse(row) : await find(id)
      return kept ? { ok: true, kept } : failed('missing')
    },

    async update(id: string, revision: number, content: ContentOf<K>): Promise<Written<K>> {
      // Jaws that were given away since are left to a job that was done with them.
      const broken = await brokenLink(content, await find(id))
      if (broken) return { ...failed('no-such-link'), ...broken }
      return (await isTaken(content, id)) ? failed('name-taken') : write(id, revision, columnsOf(content))
    },
    archive: (id: string, revision: number) => write(id, revision, { archivedAt: new Date() }),
    restore: (id: string, revision: number) => write(id, revision, { archivedAt: null }),
  }
}
