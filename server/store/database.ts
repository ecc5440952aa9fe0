import { existsSync, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { PGlite } from '@electric-sql/pglite'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { carryOver } from './carryOver'
import type { Database } from './connection'

export interface OpenDatabase {
  readonly db: Database
  close(): Promise<void>
}

/** The migrations: beside the built server, or in the sources when run from them. */
export function migrationsFolder(): string {
  const candidates = ['./migrations', '../migrations', '../../migrations'].map((path) =>
    fileURLToPath(new URL(path, import.meta.url)),
  )
  const found = [...candidates, join(process.cwd(), 'server/store/migrations')].find((folder) =>
    existsSync(join(folder, 'meta/_journal.json')),
  )
  if (!found) throw new Error('The database migrations are missing from this installation: build it again.')
  return found
}

/**
 * Opens the PostgreSQL database in a folder of the data folder (in memory without one), brings its tables up to date
 * and carries over what earlier versions kept in others.
 */
export async function openDatabase(folder?: string): Promise<OpenDatabase> {
  const path = folder && join(folder, 'postgres')
  if (path) mkdirSync(path, { recursive: true })
  const client = await PGlite.create(path ?? 'memory://')
  const db = drizzle(client)
  await migrate(db, { migrationsFolder: migrationsFolder() })
  await carryOver(db)
  return { db, close: () => client.close() }
}
