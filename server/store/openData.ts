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
