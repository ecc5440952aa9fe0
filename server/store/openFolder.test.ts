import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { beforeAll, describe, expect, it } from 'vitest'
import { plainStone } from '../../core/geometry/setup/sampleSetup.fixture'
import { recordRepository } from '../repositories/recordRepository'
import { writePreferences } from '../repositories/preferencesRepository'
import { preferences } from '../../core/records/preferences/preferences'
import { newestMigration } from './database'
import type { OpenData } from './openData'
import { openFolder } from './openFolder'
import { RESERVE_BYTES } from './reserve'
import { listSnapshots } from './snapshots'

const empty = () => mkdtempSync(join(tmpdir(), 'jaw-tilt-folder-'))
const stonesIn = async ({ db }: OpenData) =>
  (await recordRepository(db, 'stones').list()).records.map(({ name }) => name).sort()
const quiet = () => undefined

/** A folder with one stone that a snapshot has, and one that came after it; and where that table lies. */
const sample = { folder: '', table: '', migrations: '' }
beforeAll(async () => {
  sample.folder = empty()
  const data = await openFolder(sample.folder, quiet)
  await recordRepository(data.db, 'stones').create({ ...plainStone, name: 'Before' })
  await writePreferences(data.db, 0, { ...preferences.parse({}), unit: 'in' })
  await data.snapshot()
  await recordRepository(data.db, 'stones').create({ ...plainStone, name: 'After' })
  const at = await data.db.execute<{ path: string }>(sql`select pg_relation_filepath('things') as path`)
  sample.table = at.rows[0]!.path
  const noted = await data.db.execute<{ path: string }>(
    sql`select pg_relation_filepath('drizzle.__drizzle_migrations') as path`,
  )
  sample.migrations = noted.rows[0]!.path
  await data.db.execute(sql`checkpoint`)
  // Copied as it lies while it is open: as a process leaves it that was killed.
  cpSync(sample.folder, `${sample.folder}-killed`, { recursive: true })
  await data.close()
}, 60_000)

function copy(of = sample.folder): string {
  const folder = empty()
  cpSync(of, folder, { recursive: true })
  return folder
}
const contentsOf = (folder: string): string[] =>
  (readdirSync(folder, { recursive: true }) as string[])
    .filter((path) => !path.startsWith('owner.') && path !== 'postmaster.pid')
    .sort()

describe('a data folder', () => {
  it('is its owner’s alone, holds room back, and has what a clean end left, in a snapshot too', async () => {
    const folder = copy()
    expect(statSync(join(folder, 'reserve')).size).toBe(RESERVE_BYTES)
    expect(listSnapshots(folder)).toHaveLength(2)
    const data = await openFolder(folder, quiet)
    expect(statSync(folder).mode & 0o777).toBe(0o700)
    expect(await stonesIn(data)).toEqual(['After', 'Before'])
    expect(await data.snapshot()).toBeNull()
    await data.close()
    expect(listSnapshots(folder)).toHaveLength(2)
  })

  it('left by a process that was killed, even with an empty postmaster.pid, has all that was kept', async () => {
    const folder = copy(`${sample.folder}-killed`)
    writeFileSync(join(folder, 'postgres/postmaster.pid'), '')
    mkdirSync(join(folder, 'postgres.making'))
    writeFileSync(join(folder, 'snapshots/1.unfinished'), 'half')
    const data = await openFolder(folder, quiet)
    expect(await stonesIn(data)).toEqual(['After', 'Before'])
    await data.close()
    expect(contentsOf(folder)).not.toContain('postgres.making')
    expect(contentsOf(folder)).not.toContain('snapshots/1.unfinished')
  })

  const harms: Record<string, (folder: string) => void> = {
    'bits turned in a table': (folder) => {
      const file = join(folder, 'postgres', sample.table)
      const bytes = readFileSync(file)
      for (let i = 7000; i < 7400; i++) bytes[i]! ^= 0x5a
      writeFileSync(file, bytes)
    },
    'a table cut short': (folder) => writeFileSync(join(folder, 'postgres', sample.table), ''),
    'no PG_VERSION': (folder) => rmSync(join(folder, 'postgres/PG_VERSION')),
    'no control file': (folder) => rmSync(join(folder, 'postgres/global/pg_control')),
  }
  it.each(Object.keys(harms))(
    '%s: it cannot be read, and without a snapshot is left as it was, with what to do',
    async (harm) => {
      const folder = copy()
      rmSync(join(folder, 'snapshots'), { recursive: true })
      harms[harm]!(folder)
      const before = contentsOf(join(folder, 'postgres'))
      await expect(openFolder(folder, quiet)).rejects.toThrow(/cannot be read, and .* has no snapshot .* Move .* away/)
      expect(contentsOf(join(folder, 'postgres'))).toEqual(before)
    },
  )

  it('that cannot be read is set aside and built anew from the newest snapshot that reads, with one line that says so', async () => {
    const folder = copy()
    harms['bits turned in a table']!(folder)
    // A snapshot that is not whole is passed over.
    const [newest] = listSnapshots(folder)
    const file = join(folder, 'snapshots', newest!.name)
    writeFileSync(file, readFileSync(file).subarray(0, 90))
    const said: string[] = []
    const data = await openFolder(folder, (line) => said.push(line))
    expect(await stonesIn(data)).toEqual(['Before'])
    expect(said).toEqual([
      expect.stringMatching(/could not be read: it is being built anew/),
      expect.stringMatching(/could not be read: it was built anew from the snapshot of 20.*set-aside-/),
    ])
    await data.close()
    expect(readdirSync(folder).some((name) => name.startsWith('postgres.set-aside-'))).toBe(true)
  })

  it('harmed so that it looks like one of an earlier version is built anew; one of an earlier version is let be', async () => {
    const folder = copy()
    writeFileSync(join(folder, 'postgres', sample.migrations), '')
    const data = await openFolder(folder, quiet)
    expect(await stonesIn(data)).toEqual(['After', 'Before'])
    await data.close()
    const earlier = copy()
    writeFileSync(join(earlier, 'postgres', sample.migrations), '')
    writeFileSync(join(earlier, 'data-version'), '1\n')
    await expect(openFolder(earlier, quiet)).rejects.toThrow(/could not be brought to this version/)
  })

  it('of a later version is refused before anything in it is touched, by its mark and by its database', async () => {
    const folder = copy()
    writeFileSync(join(folder, 'data-version'), `${newestMigration() + 1}\n`)
    const control = () => readFileSync(join(folder, 'postgres/global/pg_control'))
    const before = control()
    await expect(openFolder(folder, quiet)).rejects.toThrow(/written by a later version/)
    expect(control().equals(before)).toBe(true)

    const unmarked = copy()
    const data = await openFolder(unmarked, quiet)
    await data.db.execute(
      sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', ${newestMigration() + 1})`,
    )
    await data.close()
    await expect(openFolder(unmarked, quiet)).rejects.toThrow(/written by a later version/)
  })

  it('without its database is built from its snapshot, preferences too', async () => {
    const folder = copy()
    rmSync(join(folder, 'postgres'), { recursive: true })
    const data = await openFolder(folder, quiet)
    expect(await stonesIn(data)).toEqual(['After', 'Before'])
    const kept = await data.db.execute<{ content: { unit: string } }>(sql`select content from settings`)
    expect(kept.rows[0]!.content.unit).toBe('in')
    await data.close()
  })
})
