import { randomInt } from 'node:crypto'
import { createReadStream, createWriteStream, mkdirSync, rmSync, type WriteStream } from 'node:fs'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import { finished } from 'node:stream/promises'
import { setImmediate } from 'node:timers/promises'
import { JSONParser } from '@streamparser/json'
import { rawOf } from '../../core/schema/versioned'
import { failed, type Failure } from '../../core/schema/result'
import { keepable, readingBackup, type Backup } from '../../core/exchange/backup/backup'
import { bothSkipped, NONE_SKIPPED, withSkipped, type SkippedRows } from '../../core/exchange/backup/skippedRows'
import { bladePhoto, type BladePhoto } from '../../core/records/storage/bladePhoto'
import { invalid, type Invalid } from '../../core/schema/problem'

/** The pictures of a backup: the greater part of it, which no memory holds at once. */
export interface Pictures {
  /** Whose each is. */
  readonly bladeIds: readonly string[]
  /** So many at a time. */
  parts(size: number): AsyncIterable<readonly BladePhoto[]>
}

/** Pictures that are in memory. */
export const picturesOf = (all: readonly BladePhoto[]): Pictures => ({
  bladeIds: all.map(({ bladeId }) => bladeId),
  async *parts(size) {
    for (let at = 0; at < all.length; at += size) yield all.slice(at, at + size)
  },
})

/** A backup that was read: its own pictures are none, they wait in a file until it is closed. */
export interface StreamedBackup {
  readonly ok: true
  readonly backup: Backup
  readonly skipped: SkippedRows
  readonly pictures: Pictures
  /** Its pictures are no longer needed. */
  close(): void
}
export type ReadStream = StreamedBackup | Failure<'not-json' | 'body-too-large'> | Invalid

/** Of a file from outside: what is not a picture is held in memory, and this is far more than any bench has. */
export const MOST_BYTES_BESIDES_PICTURES = 250_000_000

/**
 * Reads a backup of any version as it comes in; its pictures are put down one by one in a folder. `mostBytes`: of what
 * is no picture; without end for what this bench wrote itself.
 */
export async function readBackupStream(
  source: AsyncIterable<Buffer>,
  folder: string,
  mostBytes = Infinity,
): Promise<ReadStream> {
  const pictures = new PutDown(folder)
  try {
    const read = await reading(source, pictures, mostBytes)
    if (!read.ok) pictures.close()
    return read
  } catch (error) {
    pictures.close()
    throw error
  }
}

async function reading(source: AsyncIterable<Buffer>, pictures: PutDown, mostBytes: number): Promise<ReadStream> {
  let file: unknown
  let [bytes, wrong, tooMuch] = [0, false, false]
  let badPictures = NONE_SKIPPED
  const parser = new JSONParser({ paths: ['$.bladePhotos.*', '$'] })
  parser.onError = () => void (wrong = true)
  parser.onValue = ({ value, key, parent, stack }) => {
    if (stack.length === 0) return void (file = value)
    // It is not held any longer than it takes to put it down.
    if (parent && key !== undefined) Reflect.set(parent, key, null)
    const read = keepable(bladePhoto, value)
    if (read.ok) pictures.add(read.value)
    else badPictures = withSkipped(badPictures, 'bladePhotos', value, read.problems)
  }
  for await (const chunk of source) {
    // What is wrong is read to its end all the same, so that the answer reaches its sender.
    bytes += chunk.length
    tooMuch ||= bytes - pictures.bytes > mostBytes
    if (!tooMuch && !wrong) parser.write(chunk)
    await pictures.written()
    await setImmediate()
  }
  if (tooMuch) return failed('body-too-large')
  if (!wrong && !parser.isEnded) parser.end()
  if (wrong || file === undefined) return failed('not-json')
  const pictured = Array.isArray(rawOf(file).bladePhotos)
  const rows = readingBackup(pictured ? { ...rawOf(file), bladePhotos: [] } : file)
  let step = rows.next()
  for (; !step.done; step = rows.next()) await setImmediate()
  if (!step.value.ok) return invalid(step.value.problems)
  await pictures.finish()
  const { backup, skipped } = step.value
  return { ok: true, backup, skipped: bothSkipped(skipped, badPictures), pictures, close: () => pictures.close() }
}

/** Pictures in a file of their own, each a line. */
class PutDown implements Pictures {
  readonly bladeIds: string[] = []
  bytes = 0
  private readonly path: string
  private file: WriteStream | null = null
  private last = Promise.resolve()
  constructor(folder: string) {
    this.path = join(folder, `${Date.now()}.${randomInt(1e9)}${UNFINISHED}`)
  }

  add(picture: BladePhoto): void {
    mkdirSync(join(this.path, '..'), { recursive: true })
    // What goes wrong is told by the write that it went wrong with.
    const file = (this.file ??= createWriteStream(this.path, { mode: 0o600 }).on('error', () => undefined))
    const line = `${JSON.stringify(picture)}\n`
    this.last = new Promise((done, failed) => file.write(line, (error) => (error ? failed(error) : done())))
    // It is waited for by written().
    this.last.catch(() => undefined)
    this.bladeIds.push(picture.bladeId)
    this.bytes += picture.image.length
  }

  /** When what was added is no longer held in memory; throws where it could not be written. */
  written(): Promise<void> {
    return this.last
  }

  async finish(): Promise<void> {
    if (this.file) await finished(this.file.end())
  }

  async *parts(size: number): AsyncIterable<readonly BladePhoto[]> {
    if (!this.file) return
    let part: BladePhoto[] = []
    for await (const line of createInterface({ input: createReadStream(this.path), crlfDelay: Infinity })) {
      part.push(bladePhoto.parse(JSON.parse(line)))
      if (part.length < size) continue
      yield part
      part = []
    }
    if (part.length > 0) yield part
  }

  close(): void {
    this.file?.destroy()
    rmSync(this.path, { force: true })
  }
}

/** What ends the name of a file that a process that died may have left. */
export const UNFINISHED = '.unfinished'
