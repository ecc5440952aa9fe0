import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { z } from 'zod'
import { logEntry, type LogEntry } from '#core/log/entry'
import { inForce } from '#core/log/inForce'
import { takenEntries, unreadableEntry, type UnreadableEntry } from '#core/log/stored'
import { ask } from '~/saving/api'
import { outbox, type OutboxState } from '~/saving/outbox'

const listedLog = z.object({
  entries: z.array(logEntry),
  unreadable: z.array(unreadableEntry),
  upTo: z.number(),
})

/** What happened: what the server has, and what is on its way there. Entries are added, never changed. */
export const useLog = defineStore('log', () => {
  const known = shallowRef<ReadonlyMap<string, LogEntry>>(new Map())
  const unreadable = shallowRef<UnreadableEntry[]>([])
  const state = shallowRef<OutboxState>({ is: 'sent' })
  let upTo = 0
  const channel = new BroadcastChannel('jaw-tilt-log')
  channel.onmessage = ({ data }: MessageEvent<unknown>) => {
    const sent = z.array(logEntry).safeParse(data)
    if (sent.success) add(sent.data)
  }

  const out = outbox(localStorage, {
    send: (entries) => ask(takenEntries, '/api/log', 'POST', entries),
    onState: (now) => (state.value = now),
  })

  function add(entries: readonly LogEntry[]) {
    known.value = new Map([...known.value, ...entries.map((entry) => [entry.id, entry] as const)])
  }

  /** Takes what came in since the last time, and sends on what was left here. */
  async function load() {
    add(out.pending())
    void out.flush()
    const answer = await ask(listedLog, `/api/log?after=${upTo}`)
    if (!answer.ok) return
    add(answer.value.entries)
    unreadable.value = [...unreadable.value, ...answer.value.unreadable]
    upTo = answer.value.upTo
  }

  /** Forgets what was there and fetches all of it: something else was put in its place. */
  function loadAnew() {
    upTo = 0
    known.value = new Map()
    unreadable.value = []
    return load()
  }

  /** Adds entries: at once here and in this browser's other tabs, and to the server as soon as it answers. */
  function append(entries: readonly LogEntry[]) {
    add(entries)
    channel.postMessage(entries)
    void out.add(entries)
  }

  /** What holds: not struck out. Oldest first. */
  const entries = computed(() => inForce([...known.value.values()]))
  return { entries, unreadable, state, load, loadAnew, append, retry: () => out.flush() }
})
