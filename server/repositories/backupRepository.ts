import type { Backup, BroughtBack } from '../../core/kept/backup'
import { readThing } from '../../core/kept/stored'
import { THING_KINDS } from '../../core/kept/things'
import type { Database } from '../store/database'
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

/**
 * Merges a backup into what is kept, all of it or nothing: what is not here is added, newer things written, the rest
 * left. Preferences stay.
 */
export async function bringBack(db: Database, from: Backup): Promise<BroughtBack> {
  const done: BroughtBack = { added: 0, updated: 0, left: 0, unreadable: [] }
  await db.transaction(async (tx) => {
    for (const kind of THING_KINDS) {
      for (const thing of from.things[kind]) {
        done[await takeOver(tx, kind, thing)]++
        const read = readThing(kind, thing)
        if (!read.ok) done.unreadable.push(read.unreadable)
      }
    }
    for (const version of from.rigVersions) await takeOverVersion(tx, version)
    for (const photo of from.bladePhotos) await takeOverPhoto(tx, photo)
    const entries = await addEntries(tx, from.log)
    done.added += entries
    done.left += from.log.length - entries
  })
  return done
}
