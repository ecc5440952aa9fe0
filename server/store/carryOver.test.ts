import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { PGlite } from '@electric-sql/pglite'
import { drizzle, type PgliteDatabase } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { describe, expect, it } from 'vitest'
import type { RecordKind } from '../../core/records/storage/kinds'
import { BEGUN_HABITS } from '../../core/records/preferences/habits'
import { readPreferences } from '../repositories/preferencesRepository'
import { listLog } from '../repositories/logRepository'
import { listPhotos } from '../repositories/photoRepository'
import { recordRepository } from '../repositories/recordRepository'
import { listRigVersions } from '../repositories/versionRepository'
import { carryOver } from './carryOver'
import { migrationsFolder } from './database'
import { pgliteFrom } from './freshDatabase.fixture'

type Row = Record<string, unknown>
const file = JSON.parse(
  readFileSync(new URL('../../core/exchange/backup/fixtures/backup-1.json', import.meta.url), 'utf8'),
) as Record<string, Row[]> & { preferences: Row }

/** The migrations as they were when so many of them had shipped. */
function firstMigrations(count: number): string {
  const folder = join(mkdtempSync(join(tmpdir(), 'jaw-tilt-migrations-')), 'migrations')
  cpSync(migrationsFolder(), folder, { recursive: true })
  const path = join(folder, 'meta/_journal.json')
  const journal = JSON.parse(readFileSync(path, 'utf8')) as { entries: unknown[] }
  writeFileSync(path, JSON.stringify({ ...journal, entries: journal.entries.slice(0, count) }))
  return folder
}

const snake = (field: string): string => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)

/** Writes rows into a table of then, as far as it had columns for their fields. */
async function fill(client: PGlite, table: string, rows: readonly Row[]): Promise<string[]> {
  const there = await client.query<{ column_name: string; data_type: string }>(
    'select column_name, data_type from information_schema.columns where table_name = $1',
    [table],
  )
  for (const row of rows) {
    const cells = there.rows.flatMap(({ column_name: column, data_type: type }) => {
      const entry = Object.entries(row).find(([field]) => snake(field) === column)
      if (!entry) return []
      return [{ column, value: type === 'jsonb' && entry[1] !== null ? JSON.stringify(entry[1]) : entry[1] }]
    })
    await client.query(
      `insert into ${table} (${cells.map((cell) => cell.column).join()}) values (${cells.map((_, i) => `$${i + 1}`).join()})`,
      cells.map((cell) => cell.value),
    )
  }
  return there.rows.map((row) => row.column_name)
}

/** A data folder as it was when so many migrations had shipped, opened by today's application. */
async function openedToday(
  shipped: number,
): Promise<{ db: PgliteDatabase; columns: string[]; close: () => Promise<void> }> {
  const client = await pgliteFrom('bareDump')
  const db = drizzle(client)
  await migrate(db, { migrationsFolder: firstMigrations(shipped) })
  const columns = await fill(client, 'rigs', file.rigs!)
  await fill(client, 'blades', file.blades!)
  await fill(client, 'stones', file.stones!)
  columns.push(...(await fill(client, 'setups', file.setups!)))
  await fill(client, 'preferences', [{ id: 1, ...file.preferences }])
  if (shipped > 2) await fill(client, 'rig_versions', file.rigVersions!)
  if (shipped > 4) await fill(client, 'blade_photos', file.bladePhotos!)
  await migrate(db, { migrationsFolder: migrationsFolder() })
  await carryOver(db)
  return { db, columns, close: () => client.close() }
}

describe('a data folder of an earlier version', () => {
  it.each([1, 2, 3, 4, 5, 6])(
    'written after %i migrations is carried over whole',
    async (shipped) => {
      const { db, columns, close } = await openedToday(shipped)
      const list = <K extends RecordKind>(kind: K) => recordRepository(db, kind).list(true)
      const [rigs, blades, stones, jobs] = [
        await list('rigs'),
        await list('blades'),
        await list('stones'),
        await list('jobs'),
      ]
      expect([rigs, blades, stones, jobs].flatMap((listed) => listed.unreadable)).toEqual([])
      expect(rigs.records.map(({ name, revision, archivedAt }) => [name, revision, archivedAt])).toEqual([
        ['Slot plate', 2, null],
        ['Two arms', 1, '2026-03-01T08:00:00.000Z'],
      ])
      expect(blades.records[0]).toMatchObject({ owner: 'Orchard', edge: file.blades![0]!.edge })
      expect(jobs.records[0]).toMatchObject({
        revision: 7,
        updatedAt: '2026-04-02T09:30:00.000Z',
        hold: file.setups![0]!.held,
        dialled: { A: { by: 'slot', label: '3' }, B: { by: 'slot', label: '3' }, linked: true },
        wanted: { deg: { A: 20, B: 20 }, why: 'General use.' },
      })
      const { entries } = await listLog(db, 0)
      expect(entries.filter((entry) => entry.kind === 'proof').map((entry) => entry.deg)).toEqual([20.2, 20.6])
      expect(entries.filter((entry) => entry.kind === 'stone-wear')).toHaveLength(shipped > 2 ? 3 : 0)
      // What was not asked then is as it is to begin with.
      expect(await readPreferences(db)).toEqual({
        ...file.preferences,
        inches: 'decimals',
        startingRanges: true,
        habits: BEGUN_HABITS,
      })
      if (shipped > 2) {
        expect(columns).toContain('stops')
        expect(rigs.records[0]).toMatchObject({ stops: [{ name: 'pin 1', depthMm: 8 }], pivotPlayMm: 0.2 })
        expect(await listRigVersions(db)).toHaveLength(1)
      }
      if (shipped > 4) expect(await listPhotos(db, null)).toEqual(file.bladePhotos)
      if (shipped > 3) expect(blades.records[0]!.bevelDeg).toEqual({ A: 19.5, B: 20 })
      if (shipped > 5) expect(blades.records[0]!.landmark).toEqual({ what: 'stud', alongMm: 12 })
      await close()
    },
    60_000,
  )
})
