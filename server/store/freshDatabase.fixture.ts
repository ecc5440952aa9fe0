import { randomUUID } from 'node:crypto'
import { tmpdir } from 'node:os'
import { mkdtempSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { openDatabase, type OpenDatabase } from './database'
import { openServer } from './openServer'

/** An empty database in memory; on the PostgreSQL server that JAW_TILT_TEST_SERVER names, where it names one. */
export async function freshDatabase(): Promise<OpenDatabase> {
  const server = process.env.JAW_TILT_TEST_SERVER
  if (!server) return openDatabase()
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const client = new pg.Client({ connectionString: server })
  await client.connect()
  await client.query(`create database ${name}`)
  await client.end()
  const url = new URL(server)
  url.pathname = `/${name}`
  return openServer(url.toString(), mkdtempSync(join(tmpdir(), 'jaw-tilt-server-')), () => undefined)
}
