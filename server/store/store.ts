import { sql } from 'drizzle-orm'
import { dataFolder } from './dataFolder'
import { openDatabase, type OpenDatabase } from './database'
import type { Database } from './connection'
import { takeFolder } from './ownerLock'
import { plantDemo } from '../demo/plantSamples'

let opened: Promise<OpenDatabase> | null = null

async function open(): Promise<OpenDatabase> {
  const folder = dataFolder()
  takeFolder(folder)
  const database = await openDatabase(folder)
  if (process.env.JAW_TILT_DEMO === '1') await plantDemo(database.db)
  return database
}

/**
 * The one database of this process, opened on first use: folder taken, tables up to date, demo data planted if asked
 * for.
 */
export async function useDatabase(): Promise<Database> {
  opened ??= open()
  return (await opened).db
}

/** Asks the database for nothing, and throws when it does not answer. */
export async function databaseAnswers(): Promise<void> {
  await (await useDatabase()).execute(sql`select 1`)
}

/** Closes the database, if it was opened, so that the next start finds it clean. */
export async function closeDatabase(): Promise<void> {
  const database = await opened?.catch(() => null)
  opened = null
  await database?.close()
}
