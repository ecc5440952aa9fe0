import { setImmediate } from 'node:timers/promises'
import { rawOf, type Raw } from '../../core/schema/versioned'
import { tableOf } from '../../core/schema/keys'
import type { Backup, BroughtBack } from '../../core/exchange/backup/backup'
import { NONE_SKIPPED, withSkipped } from '../../core/exchange/backup/skippedRows'
import { readEntry, type StoredEntry } from '../../core/log/stored'
import { readRecord, type StoredRecord } from '../../core/records/storage/stored'
import { RECORD_KINDS, RECORDS, type RecordKind } from '../../core/records/storage/kinds'
import type { FieldProblem } from '../../core/schema/problem'
import type { Database } from '../database/connection'
import { picturesOf, type Pictures } from '../database/backupStream'
import { log, photos, records, recordVersions } from '../database/schema'
import { clearDerived } from './derived'
import { addEntries, listStoredEntries } from './logRepository'
import { listPhotos, takeOverPhotos } from './photoRepository'
import { readPreferences, replacePreferences } from './preferencesRepository'
import { listStored, storedAmong, takeOver } from './recordRepository'
import { listVersions, takeOverVersions } from './versionRepository'

/** All that is kept, archived records and what cannot be read included. */
export async function readAll(db: Database, savedAt: Date): Promise<Backup> {
  const things: Backup['things'] = tableOf(RECORD_KINDS, () => [])
  for (const kind of RECORD_KINDS) things[kind] = await listStored(db, kind)
  return {
    format: 'jaw-tilt',
    version: 2,
    savedAt: savedAt.toISOString(),
    things,
    rigVersions: await listVersions(db),
    bladePhotos: await listPhotos(db, null),
    log: await listStoredEntries(db),
    preferences: await readPreferences(db),
  }
}

/** What a record names that is neither in the backup nor here. */
const brokenLinks = (kind: RecordKind, content: Raw, kindOf: ReadonlyMap<string, RecordKind>): FieldProblem[] =>
  Object.entries(RECORDS[kind].links).flatMap(([field, of]) => missing(field, content[field], of, kindOf))
const missing = (
  field: string,
  id: unknown,
  kind: RecordKind,
  kindOf: ReadonlyMap<string, RecordKind>,
): FieldProblem[] => (kindOf.get(String(id)) === kind ? [] : [{ field, code: 'no-such-link', figures: { kind } }])

/** Which ids there are, here and in a backup, and of which kind; what is here goes before. */
async function kindsOf(db: Database, from: Backup): Promise<Map<string, RecordKind>> {
  const kindOf = new Map(RECORD_KINDS.flatMap((kind) => from.things[kind].map(({ id }) => [id, kind] as const)))
  for (const { id, kind } of await db.select({ id: records.id, kind: records.kind }).from(records)) kindOf.set(id, kind)
  return kindOf
}

/** Of several rows of one record the newest. */
const newestOfEach = (all: readonly StoredRecord[]): StoredRecord[] => {
  const newest = new Map<string, StoredRecord>()
  for (const one of all) if (one.revision > (newest.get(one.id)?.revision ?? 0)) newest.set(one.id, one)
  return [...newest.values()]
}

/** What is wrong with an entry that is kept under another id or kind than its own. */
function notItsRow(entry: StoredEntry): readonly FieldProblem[] {
  const read = readEntry(entry)
  return read.ok ? [] : read.problems.filter(({ code }) => code === 'not-its-row')
}

/** Told after each part how many rows are done; what it throws ends it, with all as it was. */
export type OnPart = (rowsDone: number) => void

/**
 * Merges a backup into what is kept, in one transaction: what is not here is added, newer records are written, the rest
 * is left. What cannot be read is added as it is, but never takes the place of what can be. A row that would do harm is
 * skipped and named: it refers to what is neither here nor in the backup, has the id of another kind of record, or
 * would overwrite good content with content that cannot be read. Preferences stay. `pictures`: where they are not the
 * backup's own.
 */
export const bringBack = (
  db: Database,
  from: Backup,
  pictures: Pictures = picturesOf(from.bladePhotos),
  onPart: OnPart = () => undefined,
): Promise<BroughtBack> => brought(db, from, pictures, false, onPart)

/**
 * Puts a backup in the place of all that is kept, preferences too: all of it or nothing. What was kept before is kept
 * again, even what names a record that was not there then either; versions and pictures of such a record are skipped.
 */
export function putInPlace(
  db: Database,
  from: Backup,
  pictures: Pictures = picturesOf(from.bladePhotos),
): Promise<BroughtBack> {
  return brought(db, from, pictures, true, () => undefined)
}

/** So many rows are written at once; between such parts others are let in. */
const ROWS_AT_ONCE = 200
const PICTURES_AT_ONCE = 4

/** How many rows a backup has. */
export const rowsOf = ({ things: kinds, rigVersions, log: entries }: Backup, { bladeIds }: Pictures): number =>
  RECORD_KINDS.reduce((sum, kind) => sum + kinds[kind].length, rigVersions.length + bladeIds.length + entries.length)

async function brought(
  db: Database,
  from: Backup,
  pictures: Pictures,
  whole: boolean,
  onPart: OnPart,
): Promise<BroughtBack> {
  const done: BroughtBack = { added: 0, updated: 0, left: 0, unreadable: [], skipped: NONE_SKIPPED }
  let rows = 0
  async function tellPart(more: number) {
    onPart((rows += more))
    await setImmediate()
  }
  async function inParts<T>(all: readonly T[], each: (part: readonly T[]) => Promise<unknown>) {
    for (let at = 0; at < all.length; at += ROWS_AT_ONCE) {
      const part = all.slice(at, at + ROWS_AT_ONCE)
      await each(part)
      await tellPart(part.length)
    }
  }
  /** Those with which nothing is wrong; the others are skipped. */
  const unharmful = <T>(list: string, part: readonly T[], wrongWith: (row: T) => readonly FieldProblem[]): T[] =>
    part.filter((row) => {
      const problems = wrongWith(row)
      if (problems.length > 0) done.skipped = withSkipped(done.skipped, list, row, problems)
      return problems.length === 0
    })
  await db.transaction(async (tx) => {
    if (whole) await clear(tx, from)
    const kindOf = await kindsOf(tx, from)
    for (const kind of RECORD_KINDS) {
      const newest = newestOfEach(from.things[kind])
      done.left += from.things[kind].length - newest.length
      await inParts(newest, async (part) => {
        const here = await storedAmong(
          tx,
          kind,
          part.map(({ id }) => id),
        )
        const taken = unharmful(kind, part, (record) => {
          if (kindOf.get(record.id) !== kind) return [{ field: 'id', code: 'id-of-another' }]
          const read = readRecord(kind, record)
          if (read.ok) return whole ? [] : brokenLinks(kind, rawOf(record.content), kindOf)
          const before = here.get(record.id)
          if (before && before.revision < record.revision && readRecord(kind, before).ok) {
            const { why, problems } = read.unreadable
            return why === 'later-version' ? [{ field: '', code: why }] : problems
          }
          // What cannot be read is kept as it is, whatever it names.
          done.unreadable.push(read.unreadable)
          return []
        })
        const came = await takeOver(tx, kind, taken, here)
        for (const how of ['added', 'updated', 'left'] as const) done[how] += came[how]
      })
    }
    await inParts(from.rigVersions, async (part) => {
      const ofRigs = unharmful('rigVersions', part, ({ thingId }) => missing('thingId', thingId, 'rigs', kindOf))
      if (ofRigs.length > 0) await takeOverVersions(tx, ofRigs)
    })
    for await (const part of pictures.parts(PICTURES_AT_ONCE)) {
      const ofBlades = unharmful('bladePhotos', part, ({ bladeId }) => missing('bladeId', bladeId, 'blades', kindOf))
      if (ofBlades.length > 0) await takeOverPhotos(tx, ofBlades)
      await tellPart(part.length)
    }
    await inParts(from.log, async (part) => {
      const own = unharmful('log', part, notItsRow)
      const entries = await addEntries(tx, own)
      done.added += entries
      done.left += own.length - entries
    })
  })
  return done
}

/** Takes all away, and puts another copy's preferences in the place of those that are kept. */
async function clear(db: Database, { preferences }: Backup): Promise<void> {
  for (const table of [log, photos, recordVersions, records]) await db.delete(table)
  await clearDerived(db)
  const { revision, ...liked } = preferences
  await replacePreferences(db, revision, liked)
}
