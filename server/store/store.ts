import { sql } from 'drizzle-orm'
import { plantDemo } from '../demo/plantSamples'
import type { Database } from './connection'
import { dataFolder } from './dataFolder'
import { openFolder, type OpenFolder } from './openFolder'
import { takeFolder } from './ownerLock'

let opened: Promise<OpenFolder> | null = null

async function open(): Promise<OpenFolder> {
  const folder = dataFolder()
  takeFolder(folder)
  const data = await openFolder(folder, (line) => console.log(line))
  if (process.env.JAW_TILT_DEMO === '1') await plantDemo(data.db)
  return data
}

/** The data folder of this process, opened on first use: taken, brought up to date, demo data planted if asked for. */
export const useData = (): Promise<OpenFolder> => (opened ??= open())

/** Its database. */
export const useDatabase = async (): Promise<Database> => (await useData()).db

/** Asks the database for nothing, and throws when it does not answer. */
export async function databaseAnswers(): Promise<void> {
  await (await useDatabase()).execute(sql`select 1`)
}

/** Closes the data, if it was opened, so that the next start finds it clean. */
export async function closeData(): Promise<void> {
  const data = await opened?.catch(() => null)
  opened = null
  await data?.close()
}
