import { drizzle } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import { errorCode } from '../database/errors'
import { announceHere, tellOthersBy } from '../database/changes'
import type { Database } from '../database/connection'
import { CannotMigrate, LaterVersion, upToDate } from './database'
import { keepSnapshots } from './keepSnapshots'
import { CannotOpen, type OpenData } from './openData'
import { clearUnfinished } from './snapshots'

const CHANGES = 'jaw_tilt_changes'
/** Held while the tables are brought up to date: of several processes that start, one does it. */
const MIGRATING = 471_100
const LISTEN_AGAIN_MS = 2000

/**
 * Opens what is kept in a database of a PostgreSQL server, beside other processes that may have it open too: what one
 * changes the others hear of. Snapshots are in the folder. Throws CannotOpen where it does not answer, or may not.
 */
export async function openServer(url: string, folder: string, say: (line: string) => void): Promise<OpenData> {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 10_000 })
  // One that breaks while nobody uses it is replaced when it is needed.
  pool.on('error', () => undefined)
  pool.on('connect', (client) => client.on('error', () => undefined))
  const db = databaseOf(pool)
  try {
    await bringUpToDate(pool)
  } catch (error) {
    await pool.end().catch(() => undefined)
    throw new CannotOpen(whyNot(error))
  }
  clearUnfinished(folder)
  const keeping = keepSnapshots(db, folder, say)
  const line = listen(url, (by) => {
    keeping.changed()
    announceHere(by)
  })
  tellOthersBy((by) => void pool.query('select pg_notify($1, $2)', [CHANGES, by]).catch(() => undefined))
  return {
    db,
    hasRoom: () => true,
    ...keeping.given,
    async close() {
      await keeping.end()
      line.end()
      await pool.end()
    },
  }
}

/** Both drivers answer alike; nothing above knows which. */
const databaseOf = (on: pg.Pool | pg.PoolClient): Database => drizzle(on) as unknown as Database

async function bringUpToDate(pool: pg.Pool): Promise<void> {
  const client = await pool.connect()
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATING])
    await upToDate(databaseOf(client), 'node-postgres')
  } finally {
    await client.query('select pg_advisory_unlock($1)', [MIGRATING]).catch(() => undefined)
    client.release()
  }
}

/** Hears what any process has changed; again after the line was broken. */
function listen(url: string, heard: (by: string) => void): { end(): void } {
  let ended = false
  let client: pg.Client | null = null
  async function begin() {
    const mine = (client = new pg.Client({ connectionString: url }))
    let broken = false
    const again = () => {
      if (ended || broken) return
      broken = true
      setTimeout(() => void begin(), LISTEN_AGAIN_MS).unref()
    }
    mine.on('error', again)
    mine.on('end', again)
    mine.on('notification', ({ payload }) => heard(payload ?? ''))
    await mine.connect().then(() => mine.query(`listen ${CHANGES}`), again)
  }
  void begin()
  return {
    end() {
      ended = true
      void client?.end().catch(() => undefined)
    },
  }
}

function whyNot(error: unknown): string {
  if (error instanceof LaterVersion)
    return 'The data behind DATABASE_URL was written by a later version. Start that one; nothing was changed.'
  if (error instanceof CannotMigrate)
    return `The data behind DATABASE_URL could not be brought to this version (${error.message}). Nothing was changed: go on with the version before, and tell its makers.`
  const message = error instanceof Error ? error.message : ''
  return `The database behind DATABASE_URL does not let this application in (${[errorCode(error), message].filter(Boolean).join(': ')}). Look at its address, name and password, and whether it runs.`
}
