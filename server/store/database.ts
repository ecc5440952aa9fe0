import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { PGlite } from '@electric-sql/pglite'
import { sql } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate as migrateOnServer } from 'drizzle-orm/node-postgres/migrator'
import { migrate as migrateEmbedded } from 'drizzle-orm/pglite/migrator'
import { rawOf, rawListOf } from '../../core/schema/versioned'
import { fillDerived } from '../repositories/derived'
import { carryOver } from './carryOver'
import type { Database } from '../database/connection'
import { isDiskFull } from '../database/databaseErrors'
import { SyncedFolder, type DiskWatch } from '../database/syncedFolder'

export interface OpenDatabase {
  readonly db: Database
  close(): Promise<void>
}

/** The database was written by a later version of the application. */
export class LaterVersion extends Error {}

/** The tables could not be brought up to date; all is as it was. */
export class CannotMigrate extends Error {}

/** The migrations: beside the built server, or in the sources when run from them. */
export function migrationsFolder(): string {
  const candidates = ['./migrations', '../migrations', '../../migrations'].map((path) =>
    fileURLToPath(new URL(path, import.meta.url)),
  )
  const found = [...candidates, join(process.cwd(), 'server/database/migrations')].find((folder) =>
    existsSync(join(folder, 'meta/_journal.json')),
  )
  if (!found) throw new Error('The database migrations are missing from this installation: build it again.')
  return found
}

/** When the newest migration was made, ms: what tells a later version's data from today's. */
export function newestMigration(): number {
  const journal = rawOf(JSON.parse(readFileSync(join(migrationsFolder(), 'meta/_journal.json'), 'utf8')))
  return Math.max(...rawListOf(journal.entries).map(({ when }) => Number(when)))
}

/**
 * Opens the PostgreSQL database in its folder (in memory without one), brings its tables up to date and carries over
 * what earlier versions kept in others. Throws LaterVersion, with all as it was, where a later one has migrated it.
 */
export async function openDatabase(folder?: string, watch?: DiskWatch): Promise<OpenDatabase> {
  const client = folder
    ? await PGlite.create({ fs: new SyncedFolder(folder, watch ?? UNWATCHED) })
    : await PGlite.create()
  const close = () => client.close()
  try {
    const db = drizzle(client)
    await upToDate(db, 'pglite')
    return { db, close }
  } catch (error) {
    await close().catch(() => undefined)
    throw error
  }
}
const MIGRATE = { pglite: migrateEmbedded, 'node-postgres': migrateOnServer } as const

/** Brings the tables of an open database up to date. Throws LaterVersion, or CannotMigrate: all is as it was then. */
export async function upToDate(db: Database, driver: keyof typeof MIGRATE): Promise<void> {
  if ((await migratedTo(db)) > newestMigration()) throw new LaterVersion()
  try {
    await MIGRATE[driver](db as never, { migrationsFolder: migrationsFolder() })
    await carryOver(db)
    await fillDerived(db)
  } catch (cause) {
    if (isDiskFull(cause)) throw cause
    throw new CannotMigrate(cause instanceof Error ? cause.message : String(cause), { cause })
  }
}

const UNWATCHED: DiskWatch = { logged: () => undefined, makeRoom: () => false }

/** When the newest migration that the database has was made, ms; 0 where it has none. */
async function migratedTo(db: Database): Promise<number> {
  const there = await db.execute<{ there: boolean }>(
    sql`select to_regclass('drizzle.__drizzle_migrations') is not null as there`,
  )
  if (!there.rows[0]?.there) return 0
  const newest = await db.execute<{ newest: string | null }>(
    sql`select max(created_at)::text as newest from drizzle.__drizzle_migrations`,
  )
  return Number(newest.rows[0]?.newest ?? 0)
}
