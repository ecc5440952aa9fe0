import { z } from 'zod'
import type { LogEntry } from '#core/log/entry'
import { readEntry, sentEntry, storeEntry, storedEntry, type StoredEntry, type TakenEntries } from '#core/log/stored'
import { fieldProblem, type FieldProblem, type Problem } from '#core/schema/problem'
import type { Answer } from './api'
import { parsed } from './parsed'

/** Where the entries stand between the hand and the disk. */
export type OutboxState =
  | { is: 'sent' }
  | { is: 'sending' }
  /** Not kept by the server yet; it is tried again. */
  | { is: 'waiting'; problem: Problem }

/** An entry that the server cannot take as it is, or that this build cannot read: it stays in this browser. */
export interface RefusedEntry {
  readonly stored: StoredEntry
  /** What is wrong, by the fields of its content. */
  readonly problems: readonly FieldProblem[]
}

interface Options {
  send(entries: readonly StoredEntry[]): Promise<Answer<TakenEntries>>
  onState(state: OutboxState): void
  /** Told whenever the refused entries are others than before. */
  onRefused?(refused: readonly RefusedEntry[]): void
  /** How long to wait before the first and the following attempts after a failure, ms. */
  retryMs?: readonly number[]
}

const KEY = 'jaw-tilt-outbox:'
const REFUSED = 'jaw-tilt-refused:'
const MOST_AT_ONCE = 100

const refusedEntry = z.object({ stored: storedEntry, problems: z.array(fieldProblem) })

/**
 * Entries of the log on their way to the server. Each lies in the browser's storage, under its own id so that two tabs
 * do not write over each other, until the server has acknowledged it: over reloads, days and new builds, in the order
 * they were made, with the version that it is written in. Sent twice, an entry is still one.
 */
export function outbox(
  storage: Storage,
  { send, onState, onRefused = () => undefined, retryMs = [1000, 2000, 5000, 10_000, 30_000] }: Options,
) {
  /** What a full storage would not take: it is sent all the same, as long as the page stays. */
  const unstored = new Map<string, StoredEntry>()
  let sending = false
  let failures = 0
  let retry: ReturnType<typeof setTimeout> | undefined
  let closed = false

  const textsUnder = (prefix: string): (readonly [key: string, text: string])[] =>
    Array.from({ length: storage.length }, (_, i) => storage.key(i)!)
      .filter((key) => key.startsWith(prefix))
      .map((key) => [key, storage.getItem(key) ?? ''])

  /** What the server has not acknowledged, in order. What this build cannot read stands aside. */
  function waiting(): StoredEntry[] {
    const stored = textsUnder(KEY).flatMap(([, text]) => sentEntry(parsed(text)) ?? [])
    return [...stored, ...unstored.values()].sort((a, b) => a.id.localeCompare(b.id))
  }

  /** The same, as far as it can be read, as entries of today. */
  const pending = (): LogEntry[] =>
    waiting().flatMap((one) => {
      const read = readEntry(one)
      return read.ok ? [read.entry] : []
    })

  function add(entries: readonly LogEntry[]): Promise<void> {
    for (const entry of entries) put(storeEntry(entry))
    return flush()
  }

  function put(entry: StoredEntry) {
    try {
      storage.setItem(KEY + entry.id, JSON.stringify(entry))
    } catch {
      unstored.set(entry.id, entry)
    }
  }

  function drop(id: string) {
    storage.removeItem(KEY + id)
    unstored.delete(id)
  }

  async function flush(): Promise<void> {
    clearTimeout(retry)
    if (sending || closed) return
    for (;;) {
      const entries = waiting().slice(0, MOST_AT_ONCE)
      if (entries.length === 0) return onRefused(refused())
      sending = true
      onState({ is: 'sending' })
      const answer = await send(entries)
      sending = false
      if (!answer.ok) {
        onState({ is: 'waiting', problem: answer.problem })
        if (!closed) retry = setTimeout(() => void flush(), retryMs[Math.min(failures++, retryMs.length - 1)])
        return
      }
      failures = 0
      answer.value.taken.forEach(drop)
      for (const { id, problems } of answer.value.refused)
        setAside(
          entries.find((entry) => entry.id === id),
          problems,
        )
      onRefused(refused())
      onState({ is: 'sent' })
      // An answer that names nothing that was sent would be asked for ever.
      if (answer.value.taken.length + answer.value.refused.length === 0) return
    }
  }

  /** Out of the way of the others, but not lost. */
  function setAside(stored: StoredEntry | undefined, problems: readonly FieldProblem[]) {
    if (!stored) return
    try {
      storage.setItem(REFUSED + stored.id, JSON.stringify({ stored, problems }))
    } catch {
      return
    }
    drop(stored.id)
  }

  /** What the server would not take, in order. Earlier builds kept the content alone, without what was wrong. */
  function refused(): RefusedEntry[] {
    return textsUnder(REFUSED)
      .flatMap(([, text]): RefusedEntry[] => {
        const read = refusedEntry.safeParse(parsed(text))
        if (read.success) return [read.data]
        const stored = sentEntry(parsed(text))
        return stored ? [{ stored, problems: [] }] : []
      })
      .sort((a, b) => a.stored.id.localeCompare(b.stored.id))
  }

  return {
    pending,
    refused,
    add,
    /** Tries again now, for instance when the page is opened or the network is back. */
    flush,
    /** Sends a refused entry again, its content corrected. */
    sendAgain(entry: StoredEntry): Promise<void> {
      put(entry)
      storage.removeItem(REFUSED + entry.id)
      return flush()
    },
    /** Throws a refused entry away. */
    discard(id: string) {
      storage.removeItem(REFUSED + id)
      onRefused(refused())
    },
    close() {
      closed = true
      clearTimeout(retry)
    },
  }
}
