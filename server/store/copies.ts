import { randomBytes } from 'node:crypto'
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
const kept = z.object({
  folder: z.string().nullable(),
  /** Whose the copies are: another bench may have its own in the same folder. */
  installation: z
    .string()
    .regex(/^[\da-f]{12}$/)
    .optional(),
})

/**
 * Copies of the snapshots in a second folder (a stick, one that is synchronised), kept by age as the snapshots are.
 * Which folder that is lies in copies.json of the data folder, with what its own copies are named by: those of others
 * are left alone.
 */
export class Copies {
  private readonly file: string
  private readonly from: string
  private readonly installation: string
  /** Whether the file says what the copies are named by. */
  private noted: boolean
  private folder: string | null
  private failed: Failure | null = null

  constructor(dataFolder: string) {
    this.file = join(dataFolder, 'copies.json')
    this.from = snapshotsFolder(dataFolder)
    const { folder, installation } = read(this.file)
    this.folder = folder
    this.noted = installation !== undefined
    this.installation = installation ?? randomBytes(6).toString('hex')
  }

  private get prefix(): string {
    return `${this.installation}-`
  }

  state(): CopiesState {
    const { folder, failed } = this
    if (!folder) return { folder, lastAt: null, failed: null }
    const why = failed ?? whyNotThere(folder)
    const [last] = why ? [] : listSnapshotsIn(folder, this.prefix)
    return { folder, lastAt: last?.at.toISOString() ?? null, failed: why }
  }

  /** Names the folder, or none; answers why it cannot be, then nothing is changed. */
  name(folder: string | null): Failure | null {
    const why = folder === null ? null : whyNot(folder)
    if (why) return why
    this.folder = folder
    this.failed = null
    this.keep()
    return null
  }

  private keep() {
    const { folder, installation } = this
    writeFileSync(`${this.file}.new`, JSON.stringify({ folder, installation }), { mode: 0o600 })
    sync(`${this.file}.new`)
    renameSync(`${this.file}.new`, this.file)
    this.noted = true
  }

  /** Copies a snapshot, if a folder is named; whole before it has its name. The state says where that failed. */
  copy({ name }: Pick<Snapshot, 'name'>): void {
    const { folder, from, prefix } = this
    if (!folder) return
    const copy = join(folder, `${prefix}${name}`)
    const unfinished = `${copy}.unfinished`
    try {
      // What the copies are named by is on the disk before the first of them.
      if (!this.noted) this.keep()
      copyFileSync(join(from, name), unfinished)
      sync(unfinished)
      renameSync(unfinished, copy)
      for (const old of tooOld(listSnapshotsIn(folder, prefix))) rmSync(join(folder, old.name), { force: true })
      this.failed = null
    } catch (error) {
      this.failed = whyNot(folder) ?? (isDiskFull(error) ? 'disk-full' : 'failed')
      rmSync(unfinished, { force: true })
    }
  }
}

function read(file: string): z.infer<typeof kept> {
  try {
    if (existsSync(file)) return kept.parse(JSON.parse(readFileSync(file, 'utf8')))
  } catch {
    // What cannot be read names no folder.
  }
  return kept.parse({ folder: null })
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
