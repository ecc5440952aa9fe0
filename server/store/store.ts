import { sql } from 'drizzle-orm'
import { plantDemo } from '../demo/plantSamples'
import type { Database } from '../database/connection'
import { dataFolder } from '../database/dataFolder'
import { folderTrouble, type OpenData } from './openData'
import { openFolder } from './openFolder'
import { openServer } from './openServer'
import { takeFolder } from './ownerLock'

let opened: Promise<OpenData> | null = null

async function open(): Promise<OpenData> {
  const folder = dataFolder()
  const [url, say] = [process.env.DATABASE_URL, (line: string) => console.log(line)]
  // Several processes may have a server's database open, and this folder with it; a database in the folder, one.
  if (!url) takeFolder(folder)
  const data = url ? await openServer(url, folder, say) : await openFolder(folder, say)
  if (process.env.JAW_TILT_DEMO === '1') await plantDemo(data.db)
  return data
}

/** What this process keeps, opened on first use: taken, brought up to date, demo data planted if asked for. */
export const useData = (): Promise<OpenData> =>
  (opened ??= open().catch((error: unknown) => {
    throw folderTrouble(error)
  }))

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
