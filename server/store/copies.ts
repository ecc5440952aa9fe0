import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { isAbsolute, join } from 'node:path'
import { z } from 'zod'
import type { COPY_FAILURES, CopiesState } from '../../core/exchange/api/copies'
import { isDiskFull } from '../database/databaseErrors'
import { listSnapshotsIn, snapshotsFolder, tooOld, type Snapshot } from './snapshots'
import { sync } from '../database/syncedFolder'

type Failure = (typeof COPY_FAILURES)[number]
const kept = z.object({ folder: z.string().nullable() })

/**
 * Copies of the snapshots in a second folder (a stick, one that is synchronised), kept by age as the snapshots are.
 * Which folder that is lies in copies.json of the data folder.
 */
export class Copies {
  private readonly file: string
  private readonly from: string
  private folder: string | null
  private failed: Failure | null = null

  constructor(dataFolder: string) {
    this.file = join(dataFolder, 'copies.json')
    this.from = snapshotsFolder(dataFolder)
    this.folder = readFolder(this.file)
  }

  state(): CopiesState {
    const { folder, failed } = this
    if (!folder) return { folder, lastAt: null, failed: null }
    const why = failed ?? whyNotThere(folder)
    const [last] = why ? [] : listSnapshotsIn(folder)
    return { folder, lastAt: last?.at.toISOString() ?? null, failed: why }
  }

  /** Names the folder, or none; answers why it cannot be, then nothing is changed. */
  name(folder: string | null): Failure | null {
    const why = folder === null ? null : whyNot(folder)
    if (why) return why
    this.folder = folder
    this.failed = null
    writeFileSync(`${this.file}.new`, JSON.stringify({ folder }), { mode: 0o600 })
    sync(`${this.file}.new`)
    renameSync(`${this.file}.new`, this.file)
    return null
  }

  /** Copies a snapshot, if a folder is named; whole before it has its name. The state says where that failed. */
  copy({ name }: Pick<Snapshot, 'name'>): void {
    const { folder, from } = this
    if (!folder) return
    const unfinished = join(folder, `${name}.unfinished`)
    try {
      copyFileSync(join(from, name), unfinished)
      sync(unfinished)
      renameSync(unfinished, join(folder, name))
      for (const old of tooOld(listSnapshotsIn(folder))) rmSync(join(folder, old.name), { force: true })
      this.failed = null
    } catch (error) {
      this.failed = whyNot(folder) ?? (isDiskFull(error) ? 'disk-full' : 'failed')
      rmSync(unfinished, { force: true })
    }
  }
}

function readFolder(file: string): string | null {
  try {
    return existsSync(file) ? kept.parse(JSON.parse(readFileSync(file, 'utf8'))).folder : null
  } catch {
    return null
  }
}

/** Whether it is a folder that is not there. */
function whyNotThere(folder: string): Failure | null {
  try {
    return isAbsolute(folder) && statSync(folder).isDirectory() ? null : 'no-such-folder'
  } catch {
    return 'no-such-folder'
  }
}

/** Why nothing can be copied into a folder, tried by writing there; null where it can. */
function whyNot(folder: string): Failure | null {
  if (whyNotThere(folder)) return 'no-such-folder'
  try {
    rmdirSync(mkdtempSync(join(folder, '.jaw-tilt-')))
    return null
  } catch (error) {
    return isDiskFull(error) ? 'disk-full' : 'not-writable'
  }
}
