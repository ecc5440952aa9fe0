import { setImmediate } from 'node:timers/promises'
import { rawOf } from '../../core/schema/versioned'
import { tableOf } from '../../core/schema/keys'
import type { Backup, BroughtBack } from '../../core/exchange/backup/backup'
import { readRecord } from '../../core/records/storage/stored'
import { RECORD_KINDS, RECORDS, type RecordKind } from '../../core/records/storage/kinds'
import { invalid, MOST_PROBLEMS, type FieldProblem, type Invalid } from '../../core/schema/problem'
import type { Database } from '../database/connection'
import { picturesOf, type Pictures } from '../database/backupStream'
import { log, photos, records, recordVersions } from '../database/schema'
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

/** What in a record names one that is neither in the backup nor here. */
function brokenLinks(
  kind: RecordKind,
  content: Record<string, unknown>,
  path: string,
  kindOf: ReadonlyMap<string, RecordKind>,
): FieldProblem[] {
  return Object.entries(RECORDS[kind].links).flatMap(([link, of]) =>
    missing(`${path}.${link}`, content[link], of, kindOf),
  )
}
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

/** Why a backup was not brought back: it names what is not there, or would be written over good content unread. */
class Harmful extends Error {
  constructor(readonly problems: readonly FieldProblem[]) {
    super('a backup that would do harm')
  }
}

/** Told after each part how many rows are done; what it throws ends it, with all as it was. */
export type OnPart = (rowsDone: number) => void

/**
 * Merges a backup into what is kept, all of it or nothing: what is not here is added, newer records written, the rest
 * left. What cannot be read is added as it is, but never takes the place of what can be: that is told, by its field.
 * Preferences stay. `pictures`: where they are not the backup's own.
 */
export const bringBack = (
  db: Database,
  from: Backup,
  pictures: Pictures = picturesOf(from.bladePhotos),
  onPart: OnPart = () => undefined,
): Promise<Brought> => brought(db, from, pictures, false, onPart)

/**
 * Puts a backup in the place of all that is kept, preferences too: all of it or nothing. What was kept before is kept
 * again, even what names a record that was not there then either; versions and pictures of such a record are left out.
 */
export function putInPlace(
  db: Database,
  from: Backup,
  pictures: Pictures = picturesOf(from.bladePhotos),
): Promise<Brought> {
  const ids = new Set(RECORD_KINDS.flatMap((kind) => from.things[kind].map(({ id }) => id)))
  const rigVersions = from.rigVersions.filter(({ thingId }) => ids.has(thingId))
  return brought(db, { ...from, rigVersions }, pictures, true, () => undefined)
}

type Brought = { readonly ok: true; readonly done: BroughtBack } | Invalid

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
): Promise<Brought> {
  const done: BroughtBack = { added: 0, updated: 0, left: 0, unreadable: [] }
  let rows = 0
  async function tellPart(more: number) {
    onPart((rows += more))
    await setImmediate()
  }
  async function inParts<T>(
    all: readonly T[],
    size: number,
    each: (part: readonly T[], at: number) => Promise<unknown>,
  ) {
    for (let at = 0; at < all.length; at += size) {
      const part = all.slice(at, at + size)
      await each(part, at)
      await tellPart(part.length)
    }
  }
  try {
    await db.transaction(async (tx) => {
      if (whole) await clear(tx, from)
      const kindOf = await kindsOf(tx, from)
      const problems: FieldProblem[] = []
      const tell = (more: readonly FieldProblem[]) => {
        problems.push(...more)
        if (problems.length >= MOST_PROBLEMS) throw new Harmful(problems.slice(0, MOST_PROBLEMS))
      }
      for (const kind of RECORD_KINDS) {
        await inParts(from.things[kind], ROWS_AT_ONCE, async (part, at) => {
          const here = await storedAmong(
            tx,
            kind,
            part.map(({ id }) => id),
          )
          for (const [i, record] of part.entries()) {
            const path = `things.${kind}.${at + i}.content`
            const read = readRecord(kind, record)
            if (read.ok) {
              if (!whole) tell(brokenLinks(kind, rawOf(record.content), path, kindOf))
              continue
            }
            // What cannot be read is kept as it is, whatever it names.
            done.unreadable.push(read.unreadable)
            const before = here.get(record.id)
            if (!before || before.revision >= record.revision || !readRecord(kind, before).ok) continue
            const { why, problems: found } = read.unreadable
            if (why === 'later-version') tell([{ field: path, code: 'later-version' }])
            else tell(found.map((one) => ({ ...one, field: one.field ? `${path}.${one.field}` : path })))
          }
          const came = await takeOver(tx, kind, part, here)
          for (const how of ['added', 'updated', 'left'] as const) done[how] += came[how]
        })
      }
      if (!whole) {
        tell(from.rigVersions.flatMap(({ thingId }, i) => missing(`rigVersions.${i}.thingId`, thingId, 'rigs', kindOf)))
        tell(pictures.bladeIds.flatMap((bladeId, i) => missing(`bladePhotos.${i}.bladeId`, bladeId, 'blades', kindOf)))
      }
      if (problems.length > 0) throw new Harmful(problems)
      await inParts(from.rigVersions, ROWS_AT_ONCE, (part) => takeOverVersions(tx, part))
      for await (const part of pictures.parts(PICTURES_AT_ONCE)) {
        const ofBlades = part.filter(({ bladeId }) => kindOf.get(bladeId) === 'blades')
        if (ofBlades.length > 0) await takeOverPhotos(tx, ofBlades)
        await tellPart(part.length)
      }
      await inParts(from.log, ROWS_AT_ONCE, async (part) => {
        const entries = await addEntries(tx, part)
        done.added += entries
        done.left += part.length - entries
      })
    })
  } catch (error) {
    if (error instanceof Harmful) return invalid(error.problems)
    throw error
  }
  return { ok: true, done }
}

/** Takes all away, and puts another copy's preferences in the place of those that are kept. */
async function clear(db: Database, { preferences }: Backup): Promise<void> {
  for (const table of [log, photos, recordVersions, records]) await db.delete(table)
  const { revision, ...liked } = preferences
  await replacePreferences(db, revision, liked)
}
