import { createHash, randomBytes, timingSafeEqual } from 'node:crypto'
import { existsSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as newId } from 'uuid'
import { z } from 'zod'
import { sync } from '../database/syncedFolder'

const device = z.object({
  id: z.uuid(),
  name: z.string().min(1).max(60),
  /** SHA-256 of its key: the key itself is the device's alone. */
  keyHash: z.string().length(64),
  letInAt: z.iso.datetime(),
  lastUsedAt: z.iso.datetime(),
})
export type Device = z.infer<typeof device>
const kept = z.array(device)

const hashOf = (key: string): string => createHash('sha256').update(key).digest('hex')
/** When a device was last seen is written down this seldom. */
const SEEN_EVERY_MS = 60_000

/** Those a file names; none where it is not there or cannot be read: they are let in anew. */
function read(path: string): Device[] {
  try {
    return existsSync(path) ? kept.parse(JSON.parse(readFileSync(path, 'utf8'))) : []
  } catch {
    return []
  }
}

/** The devices that were let in, in a file of the data folder that no backup has. */
export class Devices {
  private readonly path: string
  private known: { all: Device[]; of: string | null } = { all: [], of: null }

  constructor(folder: string) {
    this.path = join(folder, 'devices.json')
  }

  /** As the file has them: another process on the folder may let one in, or shut one out. */
  private get all(): Device[] {
    const file = statSync(this.path, { throwIfNoEntry: false })
    const of = file ? `${file.ino} ${file.mtimeMs} ${file.size}` : ''
    if (this.known.of !== of) this.known = { all: read(this.path), of }
    return this.known.all
  }

  private keep(all: Device[]) {
    writeFileSync(`${this.path}.new`, JSON.stringify(all, null, 1), { mode: 0o600 })
    sync(`${this.path}.new`)
    renameSync(`${this.path}.new`, this.path)
  }

  list(): readonly Device[] {
    return this.all
  }

  /** Lets one in under a name; answers the key that it shows from now on. */
  letIn(name: string, now: Date): string {
    const key = randomBytes(32).toString('base64url')
    const at = now.toISOString()
    this.keep([...this.all, { id: newId(), name, keyHash: hashOf(key), letInAt: at, lastUsedAt: at }])
    return key
  }

  /** Whether a key is one of theirs; its device counts as seen. */
  knows(key: string, now: Date): boolean {
    const hash = Buffer.from(hashOf(key), 'hex')
    const { all } = this
    const one = all.find(({ keyHash }) => timingSafeEqual(Buffer.from(keyHash, 'hex'), hash))
    if (!one) return false
    if (now.getTime() - Date.parse(one.lastUsedAt) > SEEN_EVERY_MS)
      this.keep(all.map((other) => (other === one ? { ...one, lastUsedAt: now.toISOString() } : other)))
    return true
  }

  /** Shuts one out; answers whether it was there. */
  shutOut(id: string): boolean {
    const { all } = this
    const left = all.filter((one) => one.id !== id)
    if (left.length === all.length) return false
    this.keep(left)
    return true
  }
}
