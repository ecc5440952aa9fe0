import type { Backup, BroughtBack } from '../../core/kept/backup'
import { readThing } from '../../core/kept/stored'
import { THING_KINDS, THINGS, type ThingKind } from '../../core/kept/things'
import type { FieldProblem } from '../../core/problem/problem'
import type { Database } from '../store/connection'
import { log, photos, things, thingVersions } from '../store/schema'
import { addEntries, listStoredEntries } from './logRepository'
import { listPhotos, takeOverPhoto } from './photoRepository'
import { readPreferences, replacePreferences } from './preferencesRepository'
import { listStored, takeOver } from './thingRepository'
import { listVersions, takeOverVersion } from './versionRepository'

/** All that is kept, archived things and what cannot be read included. */
export async function readAll(db: Database, savedAt: Date): Promise<Backup> {
  const things = {} as Backup['things']
  for (const kind of THING_KINDS) things[kind] = await listStored(db, kind)
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

/** More problems than these tell nothing new. */
const MOST_PROBLEMS = 20

/** What in a backup names a thing that is neither in it nor here. */
async function brokenLinks(db: Database, { things: kinds, rigVersions, bladePhotos }: Backup): Promise<FieldProblem[]> {
  const rows = await db.select({ id: things.id, kind: things.kind }).from(things)
  const kindOf = new Map(rows.map(({ id, kind }) => [id, kind]))
  const missing = (field: string, id: unknown, kind: ThingKind): FieldProblem[] =>
    kindOf.get(String(id)) === kind ? [] : [{ field, code: 'no-such-link', figures: { kind } }]
  return [
    ...THING_KINDS.flatMap((kind) =>
      kinds[kind].flatMap((thing, i) => {
        // What cannot be read is kept as it is, whatever it names.
        if (!readThing(kind, thing).ok) return []
        const content = thing.content as Record<string, unknown>
        return Object.entries<string>(THINGS[kind].links).flatMap(([link, of]) =>
          missing(`things.${kind}.${i}.content.${link}`, content[link], of as ThingKind),
        )
      }),
    ),
    ...rigVersions.flatMap(({ thingId }, i) => missing(`rigVersions.${i}.thingId`, thingId, 'rigs')),
    ...bladePhotos.flatMap(({ bladeId }, i) => missing(`bladePhotos.${i}.bladeId`, bladeId, 'blades')),
  ]
}

/** Why a backup was not brought back: it names what is not there, or would be written over good content unread. */
class Harmful extends Error {
  constructor(readonly problems: readonly FieldProblem[]) {
    super('a backup that would do harm')
  }
}

/**
 * Merges a backup into what is kept, all of it or nothing: what is not here is added, newer things written, the rest
 * left. What cannot be read is added as it is, but never takes the place of what can be: that is told, by its field.
 * Preferences stay.
 */
export const bringBack = (db: Database, from: Backup): Promise<Brought> => brought(db, from, false)

/**
 * Puts a backup in the place of all that is kept, preferences too: all of it or nothing. What was kept before is kept
 * again, even what names a thing that was not there then either; versions and pictures of such a thing are left out.
 */
export function putInPlace(db: Database, from: Backup): Promise<Brought> {
  const ids = new Set(THING_KINDS.flatMap((kind) => from.things[kind].map(({ id }) => id)))
  const rigVersions = from.rigVersions.filter(({ thingId }) => ids.has(thingId))
  const bladePhotos = from.bladePhotos.filter(({ bladeId }) => ids.has(bladeId))
  return brought(db, { ...from, rigVersions, bladePhotos }, true)
}

type Brought = { ok: true; done: BroughtBack } | { ok: false; problems: readonly FieldProblem[] }

async function brought(db: Database, from: Backup, whole: boolean): Promise<Brought> {
  const done: BroughtBack = { added: 0, updated: 0, left: 0, unreadable: [] }
  try {
    await db.transaction(async (tx) => {
      if (whole) await clear(tx, from)
      const problems: FieldProblem[] = []
      for (const kind of THING_KINDS) {
        const here = new Map((await listStored(tx, kind)).map((thing) => [thing.id, thing]))
        for (const [i, thing] of from.things[kind].entries()) {
          const read = readThing(kind, thing)
          const before = here.get(thing.id)
          if (!read.ok) {
            const { why, problems: found } = read.unreadable
            done.unreadable.push(read.unreadable)
            if (before && before.revision < thing.revision && readThing(kind, before).ok) {
              const at = `things.${kind}.${i}.content`
              if (why === 'later-version') problems.push({ field: at, code: 'later-version' })
              else problems.push(...found.map((one) => ({ ...one, field: one.field ? `${at}.${one.field}` : at })))
            }
          }
          done[await takeOver(tx, kind, thing)]++
        }
      }
      if (!whole) problems.push(...(await brokenLinks(tx, from)))
      if (problems.length > 0) throw new Harmful(problems.slice(0, MOST_PROBLEMS))
      for (const version of from.rigVersions) await takeOverVersion(tx, version)
      for (const photo of from.bladePhotos) await takeOverPhoto(tx, photo)
      const entries = await addEntries(tx, from.log)
      done.added += entries
      done.left += from.log.length - entries
    })
  } catch (error) {
    if (error instanceof Harmful) return { ok: false, problems: error.problems }
    throw error
  }
  return { ok: true, done }
}

/** Takes all away, and puts another copy's preferences in the place of those that are kept. */
async function clear(db: Database, { preferences }: Backup): Promise<void> {
  for (const table of [log, photos, thingVersions, things]) await db.delete(table)
  const { revision, ...liked } = preferences
  await replacePreferences(db, revision, liked)
}
