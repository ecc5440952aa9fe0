import { sql } from 'drizzle-orm'
import type { Database } from './connection'

const SAMPLES = 471_101

/** A transaction that lays out or removes the samples: of several processes one does so at a time. */
export const withSamples = <T>(db: Database, act: (tx: Database) => Promise<T>): Promise<T> =>
  db.transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${SAMPLES})`)
    return act(tx)
  })
