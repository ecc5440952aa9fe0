import { defineStore } from 'pinia'
import { shallowRef, type ShallowRef } from 'vue'
import { z } from 'zod'
import { listedLog, type ListedLog } from '#core/exchange/api/lists'
import { logEntry, type EntryKind, type EntryOf, type LogEntry } from '#core/log/entry'
import { jobList, kindList, logBook } from '#core/log/logBook'
import { takenEntries, type UnreadableEntry } from '#core/log/stored'
import { ask } from '~/saving/api'
import { outbox, type OutboxState, type RefusedEntry } from '~/saving/outbox'

/** Entries that are written at the same time may come in out of order: so many are asked for again. */
const OVERLAP = 50

/**
 * What happened: what this page has asked the server for, and what is on its way there. Entries are added, never
 * changed.
 */
export const useLog = defineStore('log', () => {
  let book = logBook()
  /** One for each list that was asked for: counts how often it has changed. */
  const changes = new Map<string, ShallowRef<number>>()
  const unreadable = shallowRef<UnreadableEntry[]>([])
  const state = shallowRef<OutboxState>({ is: 'sent' })
  /** What the server would not take: it stays here until it is corrected and sent again, or thrown away. */
  const refused = shallowRef<readonly RefusedEntry[]>([])
  /** What came in up to here is known, as far as it bears on what is known. */
  let upTo = Infinity
  let begun = false
  const channel = new BroadcastChannel('jaw-tilt-log')
  channel.onmessage = ({ data }: MessageEvent<unknown>) => {
    const sent = z.array(logEntry).safeParse(data)
    if (sent.success) add(sent.data)
  }

  const out = outbox(localStorage, {
    send: (entries) => ask(takenEntries, '/api/log', 'POST', entries),
    onState: (now) => (state.value = now),
    onRefused: (now) => (refused.value = now),
  })

  function add(entries: readonly LogEntry[]) {
    for (const name of book.add(entries)) changesOf(name).value++
  }
  function changesOf(name: string): ShallowRef<number> {
    const known = changes.get(name) ?? shallowRef(0)
    changes.set(name, known)
    return known
  }
  /** What holds in a list, oldest first: reading it follows its changes. */
  function list(name: string): readonly LogEntry[] {
    void changesOf(name).value
    return book.list(name)
  }

  /** Takes what is of no job, then what came in since, of whatever job; and sends on what was left here. */
  async function load() {
    add(out.pending())
    void out.flush()
    if (!begun) return loadFirst()
    const answer = await ask(listedLog, `/api/log?after=${Math.max(0, upTo - OVERLAP)}`)
    if (!answer.ok) return
    learn(answer.value)
    upTo = answer.value.upTo
  }
  async function loadFirst() {
    const answer = await ask(listedLog, '/api/log')
    if (!answer.ok) return
    begun = true
    learn(answer.value)
  }

  /** Takes in what came with something else that was asked for. */
  function learn(listed: ListedLog) {
    add(listed.entries)
    upTo = Math.min(upTo, listed.upTo)
    const known = new Set(unreadable.value.map(({ id }) => id))
    unreadable.value = [...unreadable.value, ...listed.unreadable.filter(({ id }) => !known.has(id))]
  }

  /** Forgets what was there: something else was put in its place. */
  function loadAnew() {
    upTo = Infinity
    begun = false
    book = logBook()
    for (const count of changes.values()) count.value++
    unreadable.value = []
    return load()
  }

  /** Adds entries: at once here and in this browser's other tabs, and to the server as soon as it answers. */
  function append(entries: readonly LogEntry[]) {
    add(entries)
    channel.postMessage(entries)
    void out.add(entries)
  }

  /** The active entries of a job, and those of a kind; oldest first. */
  const ofJob = (jobId: string): readonly LogEntry[] => list(jobList(jobId))
  const ofKind = <K extends EntryKind>(kind: K) => list(kindList(kind)) as readonly EntryOf<K>[]
  const { sendAgain, discard } = out
  return {
    ofJob,
    ofKind,
    unreadable,
    state,
    refused,
    sendAgain,
    discard,
    load,
    learn,
    loadAnew,
    append,
    retry: () => out.flush(),
  }
})
