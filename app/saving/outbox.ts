import { logEntry, type LogEntry } from '#core/log/entry'
import type { TakenEntries } from '#core/log/stored'
import type { Problem } from '#core/schema/problem'
import type { Answer } from './api'

/** Where the entries stand between the hand and the disk. */
export type OutboxState =
  | { is: 'sent' }
  | { is: 'sending' }
  /** Not kept by the server yet; it is tried again. */
  | { is: 'waiting'; problem: Problem }
  /** The server cannot take some as they are: they stay here. */
  | { is: 'refused'; problem: Problem }

interface Options {
  send(entries: readonly LogEntry[]): Promise<Answer<TakenEntries>>
  onState(state: OutboxState): void
  /** How long to wait before the first and the following attempts after a failure, ms. */
  retryMs?: readonly number[]
}

const KEY = 'jaw-tilt-outbox:'
const REFUSED = 'jaw-tilt-refused:'
const MOST_AT_ONCE = 100

/**
 * Entries of the log on their way to the server. Each lies in the browser's storage, under its own id so that two tabs
 * do not write over each other, until the server has acknowledged it: over reloads and days, in the order they were
 * made. Sent twice, an entry is still one.
 */
export function outbox(storage: Storage, { send, onState, retryMs = [1000, 2000, 5000, 10_000, 30_000] }: Options) {
  /** What a full storage would not take: it is sent all the same, as long as the page stays. */
  const unstored = new Map<string, LogEntry>()
  let sending = false
  let failures = 0
  let retry: ReturnType<typeof setTimeout> | undefined
  let closed = false

  /** What the server has not acknowledged, in order. */
  function pending(): LogEntry[] {
    const keys = Array.from({ length: storage.length }, (_, i) => storage.key(i)!).filter((key) => key.startsWith(KEY))
    const stored = keys.flatMap((key) => readEntry(storage.getItem(key)) ?? [])
    return [...stored, ...unstored.values()].sort((a, b) => a.id.localeCompare(b.id))
  }

  function add(entries: readonly LogEntry[]): Promise<void> {
    for (const entry of entries) {
      try {
        storage.setItem(KEY + entry.id, JSON.stringify(entry))
      } catch {
        unstored.set(entry.id, entry)
      }
    }
    return flush()
  }

  function drop(id: string) {
    storage.removeItem(KEY + id)
    unstored.delete(id)
  }

  async function flush(): Promise<void> {
    clearTimeout(retry)
    if (sending || closed) return
    for (;;) {
      const entries = pending().slice(0, MOST_AT_ONCE)
      if (entries.length === 0) return
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
      const [wrong] = answer.value.refused
      for (const { id } of answer.value.refused) setAside(entries.find((entry) => entry.id === id))
      if (wrong)
        onState({ is: 'refused', problem: { code: wrong.problems[0]?.code ?? 'wrong-kind', fields: wrong.problems } })
      else onState({ is: 'sent' })
      // An answer that names nothing that was sent would be asked for ever.
      if (answer.value.taken.length + answer.value.refused.length === 0) return
    }
  }

  /** Out of the way of the others, but not lost. */
  function setAside(entry: LogEntry | undefined) {
    if (!entry) return
    try {
      storage.setItem(REFUSED + entry.id, JSON.stringify(entry))
    } catch {
      return
    }
    drop(entry.id)
  }

  return {
    pending,
    add,
    /** Tries again now, for instance when the page is opened or the network is back. */
    flush,
    close() {
      closed = true
      clearTimeout(retry)
    },
  }
}

function readEntry(text: string | null): LogEntry | null {
  try {
    const read = logEntry.safeParse(JSON.parse(text ?? 'null'))
    return read.success ? read.data : null
  } catch {
    return null
  }
}
