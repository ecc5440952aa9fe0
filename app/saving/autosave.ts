import type { Answer } from './api'
import type { Journal } from './journal'

/** Where the content stands between the screen and the disk. */
export type SaveState<T> =
  | { is: 'saved' }
  | { is: 'saving' }
  /** Not kept by the server; it is tried again. */
  | { is: 'waiting'; message: string }
  /** The server refuses this content as it is. */
  | { is: 'refused'; message: string }
  /** Changed elsewhere meanwhile: both versions stand until one is chosen. */
  | { is: 'conflict'; theirs: T & { revision: number } }

interface Options<T> {
  /** Writes content that started from a revision. */
  send(content: T, revision: number): Promise<Answer<T & { revision: number }>>
  journal: Journal<T>
  onState(state: SaveState<T>): void
  onSaved?(revision: number, content: T): void
  /** How long changes are gathered before they are sent, ms; the journal has them at once. */
  gatherMs?: number
  /** How long to wait before the first and the following attempts after a failure, ms. */
  retryMs?: readonly number[]
}

/**
 * Sends each change as it is made, one request at a time, the newest content last. What the server has not acknowledged
 * stays in the journal.
 */
export function autosave<T extends object>(startRevision: number, options: Options<T>) {
  const { send, journal, onState, onSaved, gatherMs = 0, retryMs = [1000, 2000, 5000, 10_000] } = options
  let revision = startRevision
  let pending: T | null = null
  let sending = false
  let failures = 0
  let retry: ReturnType<typeof setTimeout> | undefined
  let gathering: ReturnType<typeof setTimeout> | undefined
  let stopped = false
  let closing = false

  async function flush(): Promise<void> {
    clearTimeout(retry)
    clearTimeout(gathering)
    gathering = undefined
    if (sending || !pending || stopped) return
    const content = pending
    pending = null
    sending = true
    onState({ is: 'saving' })
    const answer = await send(content, revision)
    sending = false
    if (answer.ok) {
      failures = 0
      revision = answer.value.revision
      onSaved?.(revision, content)
      if (pending) {
        journal.write({ revision, content: pending })
        return flush()
      }
      journal.clear()
      return onState({ is: 'saved' })
    }
    pending ??= content
    if (answer.status === 409 && answer.problem.current) {
      stopped = true
      return onState({ is: 'conflict', theirs: answer.problem.current as T & { revision: number } })
    }
    if (answer.status >= 400 && answer.status < 500) return onState({ is: 'refused', message: answer.problem.message })
    onState({ is: 'waiting', message: answer.problem.message })
    if (closing) return
    retry = setTimeout(() => void flush(), retryMs[Math.min(failures++, retryMs.length - 1)])
  }

  return {
    /** The content has changed. */
    async change(content: T): Promise<void> {
      pending = content
      journal.write({ revision, content })
      if (gatherMs === 0) return flush()
      if (stopped) return
      onState({ is: 'saving' })
      gathering ??= setTimeout(() => void flush(), gatherMs)
    },
    /** Ends a conflict: writes this content over the other version. */
    overwrite(theirRevision: number, content: T) {
      revision = theirRevision
      stopped = false
      return this.change(content)
    },
    /** Takes over a version that came from elsewhere; what was pending is dropped. */
    adopt(theirRevision: number) {
      revision = theirRevision
      stopped = false
      pending = null
      journal.clear()
      onState({ is: 'saved' })
    },
    /** Tries again now, for instance when the network is back. */
    retry: flush,
    get unsaved() {
      return sending || pending !== null
    },
    get revision() {
      return revision
    },
    /** Sends what is pending at once, and then no more: what is not acknowledged stays in the journal. */
    close() {
      closing = true
      return flush()
    },
  }
}

export type Autosave<T extends object> = ReturnType<typeof autosave<T>>
