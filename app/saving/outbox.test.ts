import fc from 'fast-check'
import { describe, expect, it, vi } from 'vitest'
import type { LogEntry } from '#core/log/entry'
import { storeEntry, type StoredEntry, type TakenEntries } from '#core/log/stored'
import type { Answer } from './api'
import { outbox, type OutboxState, type RefusedEntry } from './outbox'
import { memoryStorage } from './memoryStorage'

const entry = (n: number): LogEntry => ({
  id: `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`,
  at: '2026-05-01T09:00:00.000Z',
  jobId: null,
  bladeId: null,
  stoneId: null,
  instrumentId: null,
  kind: 'retraction',
  entryId: '0197a000-0000-7000-8000-000000000999',
})
const noAnswer: Answer<never> = { ok: false, status: 0, problem: { code: 'no-answer', fields: [] } }
const allTaken = (entries: readonly StoredEntry[]): Answer<TakenEntries> => ({
  ok: true,
  value: { taken: entries.map((one) => one.id), refused: [] },
})

function bench(answer: (entries: readonly StoredEntry[]) => Answer<TakenEntries>, storage = memoryStorage()) {
  const states: OutboxState[] = []
  let refused: readonly RefusedEntry[] = []
  const sent: string[] = []
  const out = outbox(storage, {
    retryMs: [10],
    onState: (state) => states.push(state),
    onRefused: (now) => (refused = now),
    send: async (entries) => {
      sent.push(...entries.map((one) => one.id))
      return answer(entries)
    },
  })
  return { out, storage, states, sent, last: () => states.at(-1), refused: () => refused }
}

describe('entries on their way to the server', () => {
  it('lie in the browser until they are acknowledged, over a reload too, and go in the order they were made', async () => {
    const { out, storage, last } = bench(() => noAnswer)
    await out.add([entry(2), entry(1)])
    await out.add([entry(3)])
    expect(last()).toMatchObject({ is: 'waiting', problem: { code: 'no-answer' } })
    out.close()
    const later = bench(allTaken, storage)
    expect(later.out.pending().map((one) => one.id)).toEqual([entry(1).id, entry(2).id, entry(3).id])
    await later.out.flush()
    expect(later.sent).toEqual([entry(1).id, entry(2).id, entry(3).id])
    expect(later.out.pending()).toEqual([])
    expect(later.last()).toEqual({ is: 'sent' })
  })

  it('try again by themselves', async () => {
    vi.useFakeTimers()
    let reachable = false
    const { out, last } = bench((entries) => (reachable ? allTaken(entries) : noAnswer))
    await out.add([entry(1)])
    reachable = true
    await vi.advanceTimersByTimeAsync(20)
    expect(last()).toEqual({ is: 'sent' })
    vi.useRealTimers()
  })

  it('one that the server cannot take stands aside with what is wrong, does not keep the others back, and is not lost', async () => {
    const problems = [{ field: 'deg', code: 'too-large' as const }]
    let wrong = [entry(1).id]
    const answer = (entries: readonly StoredEntry[]): Answer<TakenEntries> => {
      const refusedNow = entries.filter(({ id }) => wrong.includes(id))
      const taken = entries.filter(({ id }) => !wrong.includes(id))
      const refused = refusedNow.map(({ id }) => ({ id, problems }))
      return { ok: true, value: { taken: taken.map(({ id }) => id), refused } }
    }
    const { out, storage, sent, refused } = bench(answer)
    await out.add([entry(1), entry(2)])
    expect(refused()).toEqual([{ stored: storeEntry(entry(1)), problems }])
    expect(out.pending()).toEqual([])
    await out.flush()
    expect(sent).toHaveLength(2)
    // After a reload it is there still; corrected, it is sent again; another one is thrown away.
    const later = bench(answer, storage)
    await later.out.flush()
    expect(later.refused()).toHaveLength(1)
    wrong = []
    await later.out.sendAgain(storeEntry(entry(1)))
    expect([later.sent, later.refused()]).toEqual([[entry(1).id], []])
    wrong = [entry(3).id]
    await later.out.add([entry(3)])
    later.out.discard(entry(3).id)
    expect([later.refused(), storage.length]).toEqual([[], 0])
  })

  it('what an earlier build left here is sent as it was written, and read in the words of today', async () => {
    const storage = memoryStorage()
    const { kind: _, ...rest } = entry(1)
    storage.setItem(`jaw-tilt-outbox:${entry(1).id}`, JSON.stringify({ ...rest, kind: 'strike' }))
    storage.setItem(`jaw-tilt-refused:${entry(2).id}`, JSON.stringify({ ...rest, id: entry(2).id, kind: 'strike' }))
    const sentBodies: StoredEntry[] = []
    const { out, refused } = bench((entries) => (sentBodies.push(...entries), allTaken(entries)), storage)
    expect(out.pending()).toEqual([entry(1)])
    await out.flush()
    expect(sentBodies).toMatchObject([{ id: entry(1).id, kind: 'strike', version: 1, content: { kind: 'strike' } }])
    expect(refused()).toMatchObject([{ stored: { id: entry(2).id, version: 1 }, problems: [] }])
  })

  it('a full storage does not keep them from being sent', async () => {
    const { out, sent } = bench(allTaken, memoryStorage(20))
    await out.add([entry(1)])
    expect(sent).toEqual([entry(1).id])
  })

  it('whatever becomes of the requests and of the page, each entry reaches the server', async () => {
    const fates = fc.array(fc.constantFrom('taken', 'answer lost', 'unreachable', 'page left'), { maxLength: 30 })
    await fc.assert(
      fc.asyncProperty(fates, async (all) => {
        const [storage, server] = [memoryStorage(), new Set<string>()]
        let fate = 'taken'
        const page = () =>
          bench((entries) => {
            if (fate === 'unreachable') return noAnswer
            entries.forEach((one) => server.add(one.id))
            return fate === 'answer lost' ? noAnswer : allTaken(entries)
          }, storage).out
        let out = page()
        for (const [i, next] of all.entries()) {
          fate = next
          if (next === 'page left') {
            out.close()
            out = page()
          }
          await out.add([entry(i)])
          const here = new Set([...server, ...out.pending().map((one) => one.id)])
          for (let made = 0; made <= i; made++) expect(here.has(entry(made).id)).toBe(true)
        }
        fate = 'taken'
        await out.flush()
        expect(server.size).toBe(all.length)
        out.close()
      }),
    )
  })
})
