import { randomFillSync } from 'node:crypto'
import { closeSync, existsSync, fsyncSync, openSync, rmSync, statfsSync, statSync, writeSync } from 'node:fs'
import { join } from 'node:path'

/** Room that is left on the disk of a folder. */
export function freeBytes(folder: string): number {
  const { bavail, bsize } = statfsSync(folder)
  return bavail * bsize
}

/** Room for the next segment of the write-ahead log (16 MB), and to end what was begun. */
export const RESERVE_BYTES = 40 * 2 ** 20
const PIECE_BYTES = 2 ** 20

/**
 * A file that holds room on the disk. When the disk is full it is given up, so that what the database has begun can be
 * ended; nothing more is taken until there is room to make it anew. Source: docs/reliability.md, "A full disk".
 */
export class Reserve {
  private readonly path: string

  constructor(private readonly folder: string) {
    this.path = join(folder, 'reserve')
  }

  /** Whether it is there; where it is not, it is made, if there is room for it. */
  keep(): boolean {
    if (existsSync(this.path) && statSync(this.path).size === RESERVE_BYTES) return true
    // Where there is plainly no room for it, none is taken up to find that out.
    if (freeBytes(this.folder) < RESERVE_BYTES) return false
    // Made of chance: a disk that packs what it keeps would hold no room for zeros.
    const piece = randomFillSync(Buffer.allocUnsafe(PIECE_BYTES))
    let file: number | null = null
    try {
      file = openSync(this.path, 'w', 0o600)
      for (let written = 0; written < RESERVE_BYTES; written += writeSync(file, piece));
      fsyncSync(file)
      return true
    } catch {
      this.give()
      return false
    } finally {
      if (file !== null) closeSync(file)
    }
  }

  /** Gives it up; answers whether there was one. */
  give(): boolean {
    const there = existsSync(this.path)
    rmSync(this.path, { force: true })
    return there
  }
}
