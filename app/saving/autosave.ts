import equal from 'fast-deep-equal'
import type { Problem } from '#core/problem/problem'
import type { Answer } from './api'
import type { Journal, Unsaved } from './journal'

/** Content as the server has it. */
export type Kept<T> = T & { revision: number }

/** Where the content stands between the screen and the disk. */
export type SaveState<T> =
  | { is: 'saved' }
  | { is: 'saving' }
  /** Not kept by the server; it is tried again. */
  | { is: 'waiting'; problem: Problem }
  /** The server refuses this content as it is. */
  | { is: 'refused'; problem: Problem }
  /** Changed elsewhere meanwhile: both versions stand until one is chosen. */
  | { is: 'conflict'; theirs: Kept<T> }

interface Options<T> {
  /** Writes content that started from a revision. */
  send(content: T, revision: number): Promise<Answer<Kept<T>>>
  journal: Journal<T>
  /** The content alone of what the server has, or null where it is none. */
  parse(kept: unknown): T | null
  onState(state: SaveState<T>): void
  onSaved?(revision: number, content: T): void
  /** How long changes are gathered before they are sent, ms; the journal has them at once. */
  gatherMs?: number
  /** How long to wait before the first and the following attempts after a failure, ms. */
  retryMs?: readonly number[]
}

/** So many unanswered versions are remembered. */
const MOST_UNHEARD = 5

/**
 * Sends each change as it is made, one request at a time, the newest content last. What the server has not acknowledged
 * stays in the journal. What the server turns out to have of one's own, though its answer was lost, is no conflict.
 */
export function autosave<T extends object>(startRevision: number, options: Options<T>) {
  const { send, journal, parse, onState, onSaved, gatherMs = 0, retryMs = [1000, 2000, 5000, 10_000] } = options
  let revision = startRevision
  let pending: T | null = null
  let sending = false
  /** What was sent from this revision and not acknowledged: the server may have it all the same. */
  let unheard: readonly T[] = []
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
    unheard = [...unheard.filter((one) => !same(one, content)).slice(1 - MOST_UNHEARD), content]
    journal.write({ revision, content, unheard })
    onState({ is: 'saving' })
    const answer = await send(content, revision)
    sending = false
    const kept = answer.ok ? answer.value : ours(answer.status === 409 ? answer.problem.current : null)
    if (kept) {
      failures = 0
      revision = kept.revision
      unheard = []
      onSaved?.(revision, answer.ok ? content : parse(kept)!)
      if (!answer.ok && !same(kept, content)) pending ??= content
      if (pending) {
        journal.write({ revision, content: pending, unheard })
        return flush()
      }
      journal.clear()
      return onState({ is: 'saved' })
    }
    if (answer.ok) return
    pending ??= content
    if (answer.status === 409 && answer.problem.current) return stopFor(answer.problem.current as Kept<T>)
    if (answer.status >= 400 && answer.status < 500) return onState({ is: 'refused', problem: answer.problem })
    onState({ is: 'waiting', problem: answer.problem })
    if (closing) return
    retry = setTimeout(() => void flush(), retryMs[Math.min(failures++, retryMs.length - 1)])
  }

  const same = (a: unknown, b: unknown): boolean => equal(parse(a), parse(b))

  /** What the server has, where it is something that was sent from here and whose answer was never heard. */
  function ours(current: unknown): Kept<T> | null {
    return current && unheard.some((one) => same(current, one)) ? (current as Kept<T>) : null
  }

  function stopFor(theirs: Kept<T>): void {
    stopped = true
    onState({ is: 'conflict', theirs })
  }

  return {
    /** The content has changed. */
    async change(content: T): Promise<void> {
      pending = content
      journal.write({ revision, content, unheard })
      if (gatherMs === 0) return flush()
      if (stopped) return
      onState({ is: 'saving' })
      gathering ??= setTimeout(() => void flush(), gatherMs)
    },
    /**
     * Takes up what an earlier page left unsaved: sends it, unless the server has it, or by now has something of
     * another's.
     */
    async takeUp(left: Unsaved<T>, kept: Kept<T>): Promise<void> {
      if (same(kept, left.content)) return journal.clear()
      unheard = left.unheard
      if (left.revision !== kept.revision) {
        if (!ours(kept)) {
          pending = left.content
          return stopFor(kept)
        }
        unheard = []
      }
      return this.change(left.content)
    },
    /** Ends a conflict: writes this content over the other version. */
    overwrite(theirRevision: number, content: T) {
      revision = theirRevision
      stopped = false
      unheard = []
      return this.change(content)
    },
    /** Takes over a version that came from elsewhere; what was pending is dropped. */
    adopt(theirRevision: number) {
      revision = theirRevision
      stopped = false
      pending = null
      unheard = []
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
