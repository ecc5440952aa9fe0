import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { drizzle } from 'drizzle-orm/pglite'
import type { TestProject } from 'vitest/node'
import { upToDate } from './database'

declare module 'vitest' {
  export interface ProvidedContext {
    /** The file of a PostgreSQL as it begins. */
    bareDump: string
    /** The same with today's tables, empty. */
    migratedDump: string
  }
}

/** Dumps what the tests' databases begin as, once. */
export default async function dumps(project: TestProject) {
  const folder = mkdtempSync(join(tmpdir(), 'jaw-tilt-dumps-'))
  const client = await PGlite.create()
  const dumped = async (name: 'bareDump' | 'migratedDump') => {
    const file = join(folder, name)
    writeFileSync(file, Buffer.from(await (await client.dumpDataDir('none')).arrayBuffer()))
    project.provide(name, file)
  }
  await dumped('bareDump')
  await upToDate(drizzle(client), 'pglite')
  await dumped('migratedDump')
  await client.close()
  return () => rmSync(folder, { recursive: true, force: true })
}
