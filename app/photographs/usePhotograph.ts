import { onScopeDispose, ref, shallowRef } from 'vue'
import { wrap, type Remote } from 'comlink'
import { useWords } from '~/words/useWords'
import { keptFile } from './keptFile'
import { pictureOf } from './pictureOf'

const MOST_MEGAPIXELS = 24

/** What keeps a photograph and reads it, in a worker. */
interface PhotographReader {
  load(photo: Blob): Promise<void>
}

/** A photograph as it is shown. */
export interface ShownPhotograph {
  readonly address: string
  readonly width: number
  readonly height: number
}

/**
 * A photograph that is read by a worker: opened, kept in this browser until it was used or thrown away, and taken up
 * again after a reload. One run at a time, which can be stopped. Without `spawn` it is only shown.
 */
export function usePhotograph<R extends PhotographReader>(keptAs: string, spawn?: () => Worker) {
  const words = useWords()
  const file = keptFile(keptAs)
  const photo = shallowRef<ShownPhotograph | null>(null)
  const busy = ref(false)
  const failure = ref('')
  let worker: Worker | null = null
  let remote: Remote<R> | null = null

  function reader(): Remote<R> {
    worker ??= spawn!()
    return (remote ??= wrap<R>(worker))
  }
  function sleep() {
    worker?.terminate()
    worker = remote = null
  }
  function hide() {
    if (photo.value) URL.revokeObjectURL(photo.value.address)
    photo.value = null
  }

  /** Opens a picture, or tells why it is none; what was there stays then. */
  async function open(picture: File): Promise<boolean> {
    failure.value = ''
    busy.value = true
    const opened = await pictureOf(picture, MOST_MEGAPIXELS)
    if (opened.ok) {
      if (spawn) await (reader() as unknown as Remote<PhotographReader>).load(picture)
      hide()
      const { width, height } = opened.bitmap
      opened.bitmap.close()
      photo.value = { address: URL.createObjectURL(picture), width, height }
    } else failure.value = `${words.problem(opened)} What was here is kept.`
    busy.value = false
    return opened.ok
  }
  /** Takes up the picture that was kept; false where there is none. */
  async function takeUp(): Promise<boolean> {
    const picture = await file.read()
    return !!picture && !photo.value && open(picture)
  }
  /** Ends what the worker is doing; the picture stays, and is read by a new one. */
  function stop() {
    sleep()
    busy.value = false
    failure.value = 'Stopped. The picture and what was tapped are still here.'
    void file.read().then((picture) => picture && open(picture))
  }
  async function putAway() {
    hide()
    await file.forget()
  }
  onScopeDispose(() => {
    sleep()
    hide()
  })
  return { photo, busy, failure, reader, open, keep: file.keep, kept: file.read, takeUp, stop, putAway }
}
