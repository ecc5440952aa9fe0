import equal from 'fast-deep-equal'
import type { Problem } from '#core/schema/problem'
import type { Answer } from './api'
import type { Journal, Unsaved } from './journal'
import { merged, type Merged, type Together } from './merge'

/** Content as the server has it. */
export type Revised<T> = T & { revision: number }

/** Where the content stands between the screen and the disk. */
export type SaveState<T> =
  | { is: 'saved' }
  | { is: 'saving' }
  /** Not kept by the server; it is tried again. */
  | { is: 'waiting'; problem: Problem }
  /** The server refuses this content as it is. */
  | { is: 'refused'; problem: Problem }
  /** The same was changed elsewhere meanwhile: both versions stand until one is chosen. */
  | { is: 'conflict'; between: Merged<T> }

interface Options<T> {
  /** Writes content that started from a revision. */
  send(content: T, revision: number): Promise<Answer<Revised<T>>>
  journal: Journal<T>
  /** The content alone of what the server has, or null where it is none. */
  parse(kept: unknown): T | null
  onState(state: SaveState<T>): void
  onSaved?(revision: number, content: T): void
  /** What was changed elsewhere was put together with what was changed here. */
  onMerged?(content: T): void
  /** Parts of the content that are not parted when two changes are put together. */
  together?: Together
  /** How long changes are gathered before they are sent, ms; the journal has them at once. */
  gatherMs?: number
  /** How long to wait before the first and the following attempts after a failure, ms. */
  retryMs?: readonly number[]
}

/** So many unanswered versions are remembered. */
const MOST_UNHEARD = 5

/**
 * Sends each change as it is made, one request at a time, the newest content last. What the server has not acknowledged
 * stays in the journal. What the server turns out to have of one's own, though its answer was lost, is no conflict;
 * nor is a change of something else.
 */
export function autosave<T extends object>(start: Revised<T>, options: Options<T>) {
  const { send, journal, parse, onState, onSaved, gatherMs = 0, retryMs = [1000, 2000, 5000, 10_000] } = options
  let revision = start.revision
  /** What the server had at that revision; null where that is not known. */
  let base = parse(start)
  /** Where two versions stand against each other: the revision of the other one. */
  let against = 0
  let pending: T | null = null
  let sending = false
  /** What was sent from this revision and not acknowledged: the server may have it all the same. */
  let unheard: readonly T[] = []
  let failures = 0
  let retry: ReturnType<typeof setTimeout> | undefined
  let gathering: ReturnType<typeof setTimeout> | undefined
  let stopped = false
  let closing = false

  const note = (content: T) => journal.write({ revision, base, content, unheard })

  async function flush(): Promise<void> {
    clearTimeout(retry)
    clearTimeout(gathering)
    gathering = undefined
    if (sending || !pending || stopped) return
    const content = pending
    pending = null
    sending = true
    unheard = [...unheard.filter((one) => !same(one, content)).slice(1 - MOST_UNHEARD), content]
    note(content)
    onState({ is: 'saving' })
    const answer = await send(content, revision)
    sending = false
    const kept = answer.ok ? answer.value : ours(answer.status === 409 ? answer.problem.current : null)
    if (kept) {
      failures = 0
      revision = kept.revision
      base = parse(kept)
      unheard = []
      onSaved?.(revision, answer.ok ? content : (base ?? content))
      if (!answer.ok && !same(kept, content)) pending ??= content
      if (pending) {
        note(pending)
        return flush()
      }
      journal.clear()
      return onState({ is: 'saved' })
    }
    if (answer.ok) return
    pending ??= content
    if (answer.status === 409 && answer.problem.current) return meet(answer.problem.current as Revised<T>, pending)
    if (answer.status >= 400 && answer.status < 500) return onState({ is: 'refused', problem: answer.problem })
    onState({ is: 'waiting', problem: answer.problem })
    if (closing) return
    retry = setTimeout(() => void flush(), retryMs[Math.min(failures++, retryMs.length - 1)])
  }

  const same = (a: unknown, b: unknown): boolean => equal(parse(a), parse(b))

  /** What the server has, where it is something that was sent from here and whose answer was never heard. */
  function ours(current: unknown): Revised<T> | null {
    return current && unheard.some((one) => same(current, one)) ? (current as Revised<T>) : null
  }

  /** Puts what is here together with another version; where both changed the same, both stand until one is chosen. */
  async function meet(kept: Revised<T>, mine: T): Promise<void> {
    const theirs = parse(kept)!
    // Without what both began from, nothing tells who changed what.
    const between = base ? merged(base, mine, theirs, options.together) : { clashes: [''], mine, theirs }
    const whole = parse(between.mine)
    if (between.clashes.length > 0 || !whole) {
      stopped = true
      pending = mine
      against = kept.revision
      return onState({ is: 'conflict', between })
    }
    goOnFrom(kept)
    options.onMerged?.(whole)
    pending = whole
    note(whole)
    return flush()
  }

  function goOnFrom(kept: Revised<T>): void {
    revision = kept.revision
    base = parse(kept)
    stopped = false
    unheard = []
  }

  return {
    /** The content has changed. `waitMs`: how long what follows is gathered with it. */
    async change(content: T, waitMs = gatherMs): Promise<void> {
      pending = content
      note(content)
      if (waitMs === 0) return flush()
      if (stopped) return
      onState({ is: 'saving' })
      gathering ??= setTimeout(() => void flush(), waitMs)
    },
    /**
     * Takes up what an earlier page left unsaved: sends it, unless the server has it, or by now has something of
     * another's.
     */
    async takeUp(left: Unsaved<T>, kept: Revised<T>): Promise<void> {
      if (same(kept, left.content)) return journal.clear()
      unheard = left.unheard
      if (left.revision !== kept.revision) {
        if (!ours(kept)) {
          base = left.base
          return meet(kept, left.content)
        }
        unheard = []
      }
      return this.change(left.content)
    },
    /** Ends a conflict: writes this content over the other version. */
    overwrite(content: T) {
      revision = against
      // Should it have been changed once more, that is asked again.
      base = null
      stopped = false
      unheard = []
      return this.change(content)
    },
    /** Takes over a version that came from elsewhere. */
    adopt(kept: Revised<T>) {
      goOnFrom(kept)
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
