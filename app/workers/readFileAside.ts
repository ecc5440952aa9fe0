import { wrap, type Remote } from 'comlink'
import { failed, type Failure } from '#core/schema/result'
import type { FileReaders } from './files.worker'

/** What takes longer to read is harmed, or no file of this application. */
const READ_WITHIN_MS = 10_000

/** Reads a file in a worker of its own, which is ended when it takes too long or runs out of memory. */
export async function readFileAside<T>(
  read: (readers: Remote<FileReaders>) => Promise<T>,
): Promise<T | Failure<'takes-too-long'>> {
  const worker = new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' })
  try {
    return await new Promise((resolve) => {
      const giveUp = () => resolve(failed('takes-too-long'))
      setTimeout(giveUp, READ_WITHIN_MS)
      worker.addEventListener('error', giveUp)
      read(wrap<FileReaders>(worker)).then(resolve, giveUp)
    })
  } finally {
    worker.terminate()
  }
}
