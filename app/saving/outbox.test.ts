import fc from 'fast-check'
import { describe, expect, it, vi } from 'vitest'
import type { LogEntry } from '#core/log/entry'
import type { TakenEntries } from '#core/log/stored'
import type { Answer } from './api'
import { outbox, type OutboxState } from './outbox'
import { testStorage } from './storage.fixture'

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
const allTaken = (entries: readonly LogEntry[]): Answer<TakenEntries> => ({
  ok: true,
  value: { taken: entries.map((one) => one.id), refused: [] },
})

function bench(answer: (entries: readonly LogEntry[]) => Answer<TakenEntries>, storage = testStorage()) {
  const states: OutboxState[] = []
  const sent: string[] = []
  const out = outbox(storage, {
    retryMs: [10],
    onState: (state) => states.push(state),
    send: async (entries) => {
      sent.push(...entries.map((one) => one.id))
      return answer(entries)
    },
  })
  return { out, storage, states, sent, last: () => states.at(-1) }
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

  it('one that the server cannot take stands aside and does not keep the others back, nor is it lost', async () => {
    const { out, storage, sent, last } = bench((entries) => ({
      ok: true,
      value: {
        taken: entries.slice(1).map((one) => one.id),
        refused: [{ id: entries[0]!.id, problems: [{ field: 'deg', code: 'too-large' }] }],
      },
    }))
    await out.add([entry(1), entry(2)])
    expect(last()).toMatchObject({ is: 'refused', problem: { code: 'too-large' } })
    expect(out.pending()).toEqual([])
    await out.flush()
    expect(sent).toHaveLength(2)
    expect(storage.getItem(`jaw-tilt-refused:${entry(1).id}`)).toContain(entry(1).id)
  })

  it('a full storage does not keep them from being sent', async () => {
    const { out, sent } = bench(allTaken, testStorage(20))
    await out.add([entry(1)])
    expect(sent).toEqual([entry(1).id])
  })

  it('whatever becomes of the requests and of the page, each entry reaches the server', async () => {
    const fates = fc.array(fc.constantFrom('taken', 'answer lost', 'unreachable', 'page left'), { maxLength: 30 })
    await fc.assert(
      fc.asyncProperty(fates, async (all) => {
        const [storage, server] = [testStorage(), new Set<string>()]
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
