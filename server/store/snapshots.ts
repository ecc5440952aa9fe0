import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import { keptSnapshots } from '../../core/exchange/api/snapshots'
import { backupText } from '../repositories/backupText'
import { readBackupStream, UNFINISHED, type StreamedBackup } from '../database/backupStream'
import type { Database } from '../database/connection'
import { isDiskFull } from '../database/databaseErrors'
import { sync } from '../database/syncedFolder'

/** All that was kept at an instant: a backup, packed, beside the database. */
export interface Snapshot {
  readonly name: string
  readonly at: Date
  readonly bytes: number
}

const NAME = /^(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d\.\d{3})Z-([0-9a-f]{12})\.json\.gz$/

/** Where they are, in the data folder. */
export const snapshotsFolder = (dataFolder: string): string => join(dataFolder, 'snapshots')

/** Those there are, newest first. */
export function listSnapshots(dataFolder: string): Snapshot[] {
  const folder = snapshotsFolder(dataFolder)
  mkdirSync(folder, { recursive: true })
  return listSnapshotsIn(folder)
}

/** The snapshots in a folder whose names begin so, newest first. */
export function listSnapshotsIn(folder: string, prefix = ''): Snapshot[] {
  return readdirSync(folder)
    .flatMap((name): Snapshot[] => {
      const found = name.startsWith(prefix) && NAME.exec(name.slice(prefix.length))
      if (!found) return []
      const [, day, hour, minute, second] = found
      const at = new Date(`${day}T${hour}:${minute}:${second}Z`)
      return [{ name, at, bytes: statSync(join(folder, name)).size }]
    })
    .sort((a, b) => b.name.localeCompare(a.name))
}

/**
 * Writes a snapshot, streamed and on the disk before it has its name; those that are too many by their age go. Null
 * where nothing has changed since the newest.
 */
export async function writeSnapshot(db: Database, dataFolder: string, at: Date): Promise<Snapshot | null> {
  const folder = snapshotsFolder(dataFolder)
  const [newest] = listSnapshots(dataFolder)
  const unfinished = join(folder, `${at.getTime()}${UNFINISHED}`)
  const hash = createHash('sha256')
  // When it was saved is the one thing that always differs.
  const hashed = new Transform({
    transform(piece: Buffer, _encoding, done) {
      hash.update(piece.toString('utf8').replace(/"savedAt":"[^"]*"/, ''))
      done(null, piece)
    },
  })
  try {
    const to = createWriteStream(unfinished, { mode: 0o600 })
    await pipeline(Readable.from(backupText(db, at)), hashed, createGzip({ level: 6 }), to)
    const content = hash.digest('hex').slice(0, 12)
    if (newest && NAME.exec(newest.name)?.[5] === content) return null
    const name = `${at.toISOString().replaceAll(':', '-')}-${content}.json.gz`
    sync(unfinished)
    renameSync(unfinished, join(folder, name))
    sync(folder)
    tidy(dataFolder)
    return { name, at, bytes: statSync(join(folder, name)).size }
  } finally {
    rmSync(unfinished, { force: true })
  }
}

function tidy(dataFolder: string): void {
  for (const { name } of tooOld(listSnapshots(dataFolder)))
    rmSync(join(snapshotsFolder(dataFolder), name), { force: true })
}

/** Those of several that are not kept by their age. */
export function tooOld(there: readonly Snapshot[]): Snapshot[] {
  const kept = keptSnapshots(there.map(({ at }) => at))
  return there.filter(({ at }) => !kept.has(at))
}

/** Writing one takes no longer: another process may be at it. */
const LONGEST_MS = 3600_000

/** What writing or reading one has left half-done. */
export function clearUnfinished(dataFolder: string): void {
  const folder = snapshotsFolder(dataFolder)
  mkdirSync(folder, { recursive: true })
  const old = (name: string) => Date.now() - Number(name.slice(0, -UNFINISHED.length)) > LONGEST_MS
  for (const name of readdirSync(folder)) if (name.endsWith(UNFINISHED) && old(name)) rmSync(join(folder, name))
}

/** Reads a snapshot, to be closed; null where it is not there, not whole, or not one. */
export async function readSnapshot(dataFolder: string, name: string): Promise<StreamedBackup | null> {
  if (!NAME.test(name)) return null
  const folder = snapshotsFolder(dataFolder)
  try {
    const packed = createReadStream(join(folder, name))
    const read = await pipeline(packed, createGunzip(), (pieces) => readBackupStream(pieces, folder))
    return read.ok ? read : null
  } catch (error) {
    // No room for its pictures is no fault of the snapshot's.
    if (isDiskFull(error)) throw error
    return null
  }
}
