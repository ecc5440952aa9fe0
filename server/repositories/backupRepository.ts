import type { Backup, BroughtBack } from '../../core/kept/backup'
import { readThing } from '../../core/kept/stored'
import { THING_KINDS } from '../../core/kept/things'
import type { FieldProblem } from '../../core/problem/problem'
import type { Database } from '../store/connection'
import { addEntries, listStoredEntries } from './logRepository'
import { listPhotos, takeOverPhoto } from './photoRepository'
import { readPreferences } from './preferencesRepository'
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

/** Why a backup was not brought back: what of it would be written over good content and cannot be read itself. */
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
export async function bringBack(
  db: Database,
  from: Backup,
): Promise<{ ok: true; done: BroughtBack } | { ok: false; problems: readonly FieldProblem[] }> {
  const done: BroughtBack = { added: 0, updated: 0, left: 0, unreadable: [] }
  try {
    await db.transaction(async (tx) => {
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
      if (problems.length > 0) throw new Harmful(problems)
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
