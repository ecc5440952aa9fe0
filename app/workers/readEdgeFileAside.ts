import { wrap } from 'comlink'
import type { EdgeFile } from '#core/exchange/edges/readEdgeFile'
import type { EdgeFileReader } from './edgeFile.worker'

/** What takes longer to read is no drawing of an edge, or a harmed one. */
const READ_WITHIN_MS = 10_000

/** Reads a file of an edge in a worker of its own, which is ended when it takes too long or runs out of memory. */
export async function readEdgeFileAside(name: string, text: string): Promise<EdgeFile> {
  const worker = new Worker(new URL('./edgeFile.worker.ts', import.meta.url), { type: 'module' })
  try {
    return await new Promise<EdgeFile>((resolve) => {
      const giveUp = () => resolve({ ok: false, code: 'takes-too-long' })
      setTimeout(giveUp, READ_WITHIN_MS)
      worker.addEventListener('error', giveUp)
      wrap<EdgeFileReader>(worker).read(name, text).then(resolve, giveUp)
    })
  } finally {
    worker.terminate()
  }
}
