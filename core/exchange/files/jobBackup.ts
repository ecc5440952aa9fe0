import { tableOf } from '../../schema/keys'
import { RECORD_KINDS } from '../../records/storage/kinds'
import { storeRecord } from '../../records/storage/stored'
import { storeEntry } from '../../log/stored'
import { preferences } from '../../records/preferences/preferences'
import { BACKUP_VERSION, type Backup } from '../backup/backup'
import type { JobFile } from './jobFile'

/**
 * The record of a job as a backup of that job alone, with all that it names: importing it adds what is missing and what
 * is newer. The rig also comes as the version that the job was done with, should there be a newer one already.
 */
export function backupOfJob(file: JobFile): Backup {
  const rig = storeRecord('rigs', file.rig)
  return {
    format: 'jaw-tilt',
    version: BACKUP_VERSION,
    savedAt: file.writtenAt,
    things: {
      ...tableOf(RECORD_KINDS, () => []),
      jobs: [storeRecord('jobs', file.job)],
      rigs: [rig],
      blades: [storeRecord('blades', file.blade)],
      stones: file.stones.map((stone) => storeRecord('stones', stone)),
      instruments: file.instruments.map((instrument) => storeRecord('instruments', instrument)),
    },
    rigVersions: [{ thingId: rig.id, revision: rig.revision, version: rig.version, content: rig.content, until: null }],
    bladePhotos: [],
    log: file.log.map(storeEntry),
    // An import leaves those that are kept.
    preferences: { ...preferences.parse({}), revision: 0 },
  }
}
