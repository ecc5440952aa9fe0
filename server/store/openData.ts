import { rawOf } from '../../core/schema/versioned'
import { errorCode } from '../database/errors'
import type { StreamedBackup } from '../database/backupStream'
import type { Copies } from './copies'
import type { OpenDatabase } from './database'
import type { Snapshot } from './snapshots'

/** What is kept, open: in a folder of this machine (openFolder) or on a PostgreSQL server (openServer). */
export interface OpenData extends OpenDatabase {
  /** Whether there is room on the disk to keep what is sent; looked for anew each time there was none. */
  hasRoom(): boolean
  /** Keeps a snapshot now; null where nothing has changed since the last. */
  snapshot(): Promise<Snapshot | null>
  /** Those there are, newest first. */
  snapshots(): Snapshot[]
  /** One of them, to be closed; null where it is not there, or not whole. */
  readSnapshot(name: string): Promise<StreamedBackup | null>
  /** Of the snapshots, in a second folder. */
  readonly copies: Copies
}

/** What is kept cannot be opened: in words, with what to do. */
export class CannotOpen extends Error {}

const CHOOSE = 'choose another folder with JAW_TILT_DATA.'
const FOLDER_TROUBLE: Readonly<Record<string, string>> = {
  EROFS: `is on a disk that cannot be written to: ${CHOOSE}`,
  EACCES: `may not be used by this user: give it to this user, or ${CHOOSE}`,
  EPERM: `may not be used by this user: give it to this user, or ${CHOOSE}`,
  EEXIST: `cannot be the data folder, for there is a file of that name: ${CHOOSE}`,
  ENOTDIR: `cannot be the data folder, for there is a file of that name: ${CHOOSE}`,
  EISDIR: `is a folder, where a file of the data should be: move it away, or ${CHOOSE}`,
  ENAMETOOLONG: `has too long a name: ${CHOOSE}`,
}
/** An error of the file system at the data folder, in words and with what to do; any other as it is. */
export function folderTrouble(error: unknown): unknown {
  const said = error instanceof CannotOpen ? undefined : FOLDER_TROUBLE[errorCode(error)]
  const { path } = rawOf(error)
  return said
    ? new CannotOpen(`${typeof path === 'string' ? path : 'The data folder'} ${said}`, { cause: error })
    : error
}
