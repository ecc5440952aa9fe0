import { sql } from 'drizzle-orm'
import type { Backup } from '../../core/exchange/backup/backup'
import { backupFromVersion1 } from '../../core/exchange/backup/backupVersion1'
import { bringBack } from '../repositories/backupRepository'
import { settings } from '../database/schema'
import type { Database } from '../database/connection'

/** The tables of version 1: a column for each field. In the order in which they can be dropped. */
const BEFORE = ['blade_photos', 'rig_versions', 'setups', 'stones', 'blades', 'rigs', 'preferences'] as const

type Row = Record<string, unknown>

const MOMENTS = ['createdAt', 'updatedAt', 'archivedAt']
const camelled = (name: string): string => name.replace(/_([a-z])/g, (_, letter: string) => letter.toUpperCase())

/** A row by the names of its fields, its moments as everywhere else. */
function fieldsOf(row: Row): Row {
  const entries = Object.entries(row).map(([column, value]): [string, unknown] => {
    const field = camelled(column)
    return [field, MOMENTS.includes(field) && value !== null ? new Date(String(value)).toISOString() : value]
  })
  return Object.fromEntries(entries)
}

/**
 * Carries the rows of version 1 over into records and log, and drops their tables: all of it or nothing. Does nothing
 * where there are none. They go the way of a backup of that version, so a folder and a file come to the same.
 */
export async function carryOver(db: Database): Promise<void> {
  const asked = await db.execute<{ there: boolean }>(sql`select to_regclass('public.setups') is not null as there`)
  if (!asked.rows[0]?.there) return
  await db.transaction(async (tx) => {
    const rows = async (table: (typeof BEFORE)[number]): Promise<Row[]> => {
      const there = await tx.execute<{ row: Row }>(sql.raw(`select to_jsonb(t) as row from "${table}" t order by 1`))
      return there.rows.map(({ row }) => fieldsOf(row))
    }
    const before = backupFromVersion1({
      rigs: await rows('rigs'),
      blades: await rows('blades'),
      stones: await rows('stones'),
      setups: await rows('setups'),
      rigVersions: await rows('rig_versions'),
      bladePhotos: await rows('blade_photos'),
    })
    const { skipped } = await bringBack(tx, before as unknown as Backup)
    // What cannot be carried over stays where it is.
    if (skipped.count > 0) throw new Error(`Rows of version 1 cannot be carried over: ${JSON.stringify(skipped.first)}`)
    const [liked] = await rows('preferences')
    if (liked) {
      const { id, revision, ...content } = liked as { id: number; revision: number }
      await tx.insert(settings).values({ id, revision, content })
    }
    for (const table of BEFORE) await tx.execute(sql.raw(`drop table "${table}"`))
  })
}
