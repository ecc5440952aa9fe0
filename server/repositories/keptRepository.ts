import { and, asc, eq, lt, type InferSelectModel } from 'drizzle-orm'
import type { PgTable } from 'drizzle-orm/pg-core'
import { v7 as newId } from 'uuid'
import { KEPT_SCHEMAS, type KeptByKind, type KeptKind } from '../../core/kept/kept'
import type { Database } from '../store/database'
import { KEPT_TABLES, type rigs } from '../store/schema'
import { keepRigVersion } from './rigVersionRepository'

/** The columns every kept table shares, under one type: what differs between kinds is checked by their Zod schemas. */
type KeptTable = PgTable & Pick<typeof rigs, 'id' | 'revision' | 'archivedAt' | 'createdAt'>

/** Content of a kind as its Zod schema gives it. */
export type Content = Record<string, unknown> & { name: string }

export type Written<K extends KeptKind> =
  | { ok: true; kept: KeptByKind[K] }
  | { ok: false; why: 'missing' }
  | { ok: false; why: 'outdated'; current: KeptByKind[K] }
  | { ok: false; why: 'unknown-reference'; field: string }

/**
 * Reads and writes one kind of kept thing. A write names the revision it started from; an outdated one changes nothing.
 */
export function keptRepository<K extends KeptKind>(db: Database, kind: K) {
  const table = KEPT_TABLES[kind] as unknown as KeptTable

  const parse = (row: unknown): KeptByKind[K] => {
    const { createdAt, updatedAt, archivedAt, ...rest } = row as InferSelectModel<typeof rigs>
    const times = {
      createdAt: createdAt.toISOString(),
      updatedAt: updatedAt.toISOString(),
      archivedAt: archivedAt?.toISOString() ?? null,
    }
    return KEPT_SCHEMAS[kind].parse({ ...rest, ...times }) as KeptByKind[K]
  }

  const find = async (id: string): Promise<KeptByKind[K] | null> => {
    const [row] = await db.select().from(table).where(eq(table.id, id))
    return row ? parse(row) : null
  }

  /** Writes columns if the stored revision is the one named. */
  const write = async (id: string, revision: number, columns: Record<string, unknown>): Promise<Written<K>> => {
    try {
      const [row] = await db.transaction(async (within) => {
        if (kind === 'rigs') await keepRigVersion(within as unknown as Database, id, revision)
        return within
          .update(table)
          .set({ ...columns, revision: revision + 1, updatedAt: new Date() } as never)
          .where(and(eq(table.id, id), eq(table.revision, revision)))
          .returning()
      })
      if (row) return { ok: true, kept: parse(row) }
    } catch (error) {
      return unknownReference(error)
    }
    const current = await find(id)
    return current ? { ok: false, why: 'outdated', current } : { ok: false, why: 'missing' }
  }

  return {
    find,

    /** All that is not archived, or all, in the order it was made. */
    async list(withArchived = false): Promise<KeptByKind[K][]> {
      const rows = await db.select().from(table).orderBy(asc(table.createdAt), asc(table.id))
      return rows.map(parse).filter((kept) => withArchived || kept.archivedAt === null)
    },

    /** Keeps something new under its id (a new one without). The same id again gives what is kept already. */
    async create(content: Content, id: string = newId()): Promise<Written<K>> {
      try {
        const [row] = await db
          .insert(table)
          .values({ ...content, id } as never)
          .onConflictDoNothing()
          .returning()
        const kept = row ? parse(row) : await find(id)
        return kept ? { ok: true, kept } : { ok: false, why: 'missing' }
      } catch (error) {
        return unknownReference(error)
      }
    },

    /**
     * Takes over a kept thing as another copy of the data has it: added when it is not here, written when the other
     * copy is newer, else left.
     */
    async takeOver({
      id,
      revision,
      createdAt,
      updatedAt,
      archivedAt,
      ...content
    }: KeptByKind[K]): Promise<'added' | 'updated' | 'left'> {
      const columns = {
        ...content,
        revision,
        createdAt: new Date(createdAt),
        updatedAt: new Date(updatedAt),
        archivedAt: archivedAt && new Date(archivedAt),
      }
      const [added] = await db
        .insert(table)
        .values({ ...columns, id } as never)
        .onConflictDoNothing()
        .returning({ id: table.id })
      if (added) return 'added'
      if (kind === 'rigs') await keepRigVersion(db, id)
      const newer = await db
        .update(table)
        .set(columns as never)
        .where(and(eq(table.id, id), lt(table.revision, revision)))
        .returning({ id: table.id })
      return newer.length > 0 ? 'updated' : 'left'
    },

    update: (id: string, revision: number, content: Content) => write(id, revision, content),
    archive: (id: string, revision: number) => write(id, revision, { archivedAt: new Date() }),
    restore: (id: string, revision: number) => write(id, revision, { archivedAt: null }),
  }
}

/** A foreign key that names nothing (PostgreSQL 23503) is the writer's mistake; any other error is not. */
function unknownReference(error: unknown): { ok: false; why: 'unknown-reference'; field: string } {
  const cause = (error as { cause?: { code?: string; constraint?: string } }).cause
  const column = /_(rig|blade|stone)_id_/.exec(cause?.constraint ?? '')?.[1]
  if (cause?.code !== '23503' || !column) throw error
  return { ok: false, why: 'unknown-reference', field: `${column}Id` }
}
