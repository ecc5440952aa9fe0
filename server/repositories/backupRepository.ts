import type { Backup, BroughtBack } from '../../core/kept/backup'
import type { KeptByKind, KeptKind } from '../../core/kept/kept'
import type { Database } from '../store/database'
import { listPhotos, takeOverPhoto } from './bladePhotoRepository'
import { keptRepository } from './keptRepository'
import { readPreferences } from './preferencesRepository'
import { listRigVersions, takeOverRigVersion } from './rigVersionRepository'

/** All that is kept, archived things included. */
export async function readAll(db: Database, savedAt: Date): Promise<Backup> {
  const all = <K extends KeptKind>(kind: K) => keptRepository(db, kind).list(true)
  return {
    format: 'jaw-tilt',
    version: 1,
    savedAt: savedAt.toISOString(),
    rigs: await all('rigs'),
    rigVersions: await listRigVersions(db),
    blades: await all('blades'),
    bladePhotos: await listPhotos(db, null),
    stones: await all('stones'),
    setups: await all('setups'),
    preferences: await readPreferences(db),
  }
}

/**
 * Merges a backup into what is kept, all of it or nothing: things not here are added, newer ones written, the rest
 * left. Preferences stay.
 */
export async function bringBack(db: Database, from: Backup): Promise<BroughtBack> {
  const count: BroughtBack = { added: 0, updated: 0, left: 0 }
  await db.transaction(async (within) => {
    const take = async <K extends KeptKind>(kind: K, things: KeptByKind[K][]) => {
      const repository = keptRepository(within as unknown as Database, kind)
      for (const thing of things) count[await repository.takeOver(thing)]++
    }
    await take('rigs', from.rigs)
    for (const version of from.rigVersions) await takeOverRigVersion(within as unknown as Database, version)
    await take('blades', from.blades)
    for (const photo of from.bladePhotos) await takeOverPhoto(within as unknown as Database, photo)
    await take('stones', from.stones)
    await take('setups', from.setups)
  })
  return count
}
