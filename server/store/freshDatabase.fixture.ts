import { randomUUID } from 'node:crypto'
import { tmpdir } from 'node:os'
import { mkdtempSync, openAsBlob } from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { drizzle } from 'drizzle-orm/pglite'
import pg from 'pg'
import { inject } from 'vitest'
import type { OpenDatabase } from './database'
import { openServer } from './openServer'

/** A PostgreSQL in memory as it was dumped before the tests: far sooner there than one that is begun. */
export async function pgliteFrom(dump: 'bareDump' | 'migratedDump'): Promise<PGlite> {
  return PGlite.create({ loadDataDir: await openAsBlob(inject(dump)) })
}

/** An empty database in memory; on the PostgreSQL server that JAW_TILT_TEST_SERVER names, where it names one. */
export async function freshDatabase(): Promise<OpenDatabase> {
  const server = process.env.JAW_TILT_TEST_SERVER
  if (!server) {
    const client = await pgliteFrom('migratedDump')
    return { db: drizzle(client), close: () => client.close() }
  }
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const client = new pg.Client({ connectionString: server })
  await client.connect()
  await client.query(`create database ${name}`)
  await client.end()
  const url = new URL(server)
  url.pathname = `/${name}`
  return openServer(url.toString(), mkdtempSync(join(tmpdir(), 'jaw-tilt-server-')), () => undefined)
}
