import fc from 'fast-check'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Answer } from './api'
import { autosave, type SaveState } from './autosave'
import type { Journal, Unsaved } from './journal'

interface Note {
  text: string
}
type Reply = Answer<Note & { revision: number }>

const saved = (text: string, revision: number): Reply => ({ ok: true, value: { text, revision } })
const problem = (status: number) => ({
  code: status === 0 ? ('no-answer' as const) : ('wrong-kind' as const),
  fields: [],
})
const refused = (status: number, current?: unknown): Reply => ({
  ok: false,
  status,
  problem: { ...problem(status), ...(current ? { current } : {}) },
})

let stored: Unsaved<Note> | null
const parse = (value: unknown): Note | null => (value ? { text: (value as Note).text } : null)
const journal: Journal<Note> = { read: () => stored, write: (u) => (stored = u), clear: () => (stored = null) }

function bench(...replies: (Reply | Promise<Reply>)[]) {
  const states: SaveState<Note>[] = []
  const sent: [string, number][] = []
  const save = autosave<Note>(
    { text: 'old', revision: 1 },
    {
      journal,
      parse,
      retryMs: [10],
      onState: (state) => states.push(state),
      send: async (content, revision) => {
        sent.push([content.text, revision])
        return replies.shift() ?? refused(0)
      },
    },
  )
  return { save, states, sent, last: () => states.at(-1)! }
}

describe('saving as it is made', () => {
  beforeEach(() => {
    stored = null
    vi.useFakeTimers()
  })

  it('keeps the change in the journal until the server has it', async () => {
    let reply!: (r: Reply) => void
    const { save, last } = bench(new Promise<Reply>((resolve) => (reply = resolve)))
    const done = save.change({ text: 'one' })
    expect(stored).toEqual({ revision: 1, base: { text: 'old' }, content: { text: 'one' }, unheard: [{ text: 'one' }] })
    expect(last().is).toBe('saving')
    reply(saved('one', 2))
    await done
    expect(stored).toBeNull()
    expect(last().is).toBe('saved')
  })

  it('sends one at a time and only the newest of what came meanwhile, from the new revision', async () => {
    const { save, sent } = bench(saved('one', 2), saved('three', 3))
    const done = save.change({ text: 'one' })
    void save.change({ text: 'two' })
    void save.change({ text: 'three' })
    await done
    expect(sent).toEqual([
      ['one', 1],
      ['three', 2],
    ])
  })

  it('tries again by itself after no answer or a full disk, and loses nothing', async () => {
    const { save, states, sent } = bench(refused(0), refused(507), saved('one', 2))
    await save.change({ text: 'one' })
    expect(states.at(-1)).toEqual({ is: 'waiting', problem: problem(0) })
    expect(stored?.content.text).toBe('one')
    await vi.advanceTimersByTimeAsync(50)
    expect(sent).toHaveLength(3)
    expect(states.at(-1)).toEqual({ is: 'saved' })
  })

  it('an outdated revision stops the sending until one version is chosen', async () => {
    const { save, sent, last } = bench(refused(409, { text: 'theirs', revision: 5 }), saved('mine', 6))
    await save.change({ text: 'mine' })
    expect(last()).toEqual({
      is: 'conflict',
      between: { clashes: ['text'], mine: { text: 'mine' }, theirs: { text: 'theirs' } },
    })
    await save.change({ text: 'mine still' })
    expect(sent).toHaveLength(1)
    await save.overwrite({ text: 'mine' })
    expect(sent[1]).toEqual(['mine', 5])
    expect(last().is).toBe('saved')
  })

  it('what the server has of one’s own, though its answer was lost, is no conflict: what came after it is sent on', async () => {
    const { save, sent, states, last } = bench(refused(0), refused(409, { text: 'one', revision: 2 }), saved('two', 3))
    await save.change({ text: 'one' })
    await save.change({ text: 'two' })
    expect(sent).toEqual([
      ['one', 1],
      ['two', 1],
      ['two', 2],
    ])
    expect(states.some((state) => state.is === 'conflict')).toBe(false)
    expect(last().is).toBe('saved')
    expect(save.revision).toBe(3)
  })

  it.each([
    ['it has already', { text: 'one', revision: 2 }, 'one', [], undefined],
    ['from the revision it started from', { text: 'old', revision: 1 }, 'one', [['one', 1]], 'saved'],
    ['over an earlier one of its own', { text: 'one', revision: 2 }, 'two', [['two', 2]], 'saved'],
    ['not over another’s', { text: 'theirs', revision: 2 }, 'two', [], 'conflict'],
  ] as const)('what a page left unsaved is sent %s', async (_, kept, left, expected, state) => {
    const sent: [string, number][] = []
    const states: SaveState<Note>[] = []
    const save = autosave<Note>(kept, {
      journal,
      parse,
      onState: (is) => states.push(is),
      send: async ({ text }, revision) => (sent.push([text, revision]), saved(text, revision + 1)),
    })
    const base = { text: 'old' }
    await save.takeUp({ revision: 1, base, content: { text: left }, unheard: [{ text: 'one' }] }, kept)
    expect(sent).toEqual(expected)
    expect(states.at(-1)?.is).toBe(state)
    if (state !== 'conflict') expect(stored).toBeNull()
  })

  it('leaving sends what was being gathered, once', async () => {
    const sent: string[] = []
    const save = autosave<Note>(
      { text: 'old', revision: 1 },
      {
        journal,
        parse,
        gatherMs: 150,
        onState: () => {},
        send: async ({ text }) => (sent.push(text), saved(text, 2)),
      },
    )
    void save.change({ text: 'one' })
    void save.change({ text: 'two' })
    expect(sent).toEqual([])
    await save.close()
    await vi.advanceTimersByTimeAsync(1000)
    expect(sent).toEqual(['two'])
    expect(stored).toBeNull()
  })

  it('content the server refuses is not sent again by itself', async () => {
    const { save, sent, last } = bench(refused(422), saved('better', 2))
    await save.change({ text: 'bad' })
    await vi.advanceTimersByTimeAsync(1000)
    expect(sent).toHaveLength(1)
    expect(last()).toEqual({ is: 'refused', problem: problem(422) })
    await save.change({ text: 'better' })
    expect(last().is).toBe('saved')
  })
})

/** What becomes of one request. */
const FATES = [
  'kept',
  'never came',
  'kept, answer lost',
  'disk full',
  'kept, page left meanwhile',
  'never came, page left meanwhile',
] as const

describe('one page alone, whatever becomes of its requests', () => {
  beforeEach(() => vi.useFakeTimers())

  it('never meets a conflict, and the last change is kept in the end', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.constantFrom(...FATES), { maxLength: 12 }),
        fc.array(fc.nat(60), { minLength: 1, maxLength: 8 }),
        async (fates, pauses) => {
          stored = null
          const left = [...fates]
          const server = { text: 'start', revision: 1 }
          const states: SaveState<Note>[] = []
          let gone = false
          const send = (content: Note, revision: number): Promise<Reply> => {
            const fate = left.shift() ?? 'kept'
            const asked = (): Reply => {
              if (revision !== server.revision) return refused(409, { ...server })
              Object.assign(server, { text: content.text, revision: revision + 1 })
              return saved(content.text, revision + 1)
            }
            const answer = fate.startsWith('kept') ? asked() : null
            gone ||= fate.endsWith('meanwhile')
            if (gone) return new Promise(() => {})
            return Promise.resolve(fate === 'disk full' ? refused(507) : fate === 'kept' ? answer! : refused(0))
          }
          const open = () =>
            autosave<Note>(
              { ...server },
              {
                journal,
                parse,
                retryMs: [10],
                gatherMs: 5,
                onState: (state) => states.push(state),
                send,
              },
            )
          let page = open()
          const reloaded = async () => {
            gone = false
            page = open()
            if (stored) await page.takeUp(stored, { ...server })
          }
          for (const [i, pause] of pauses.entries()) {
            void page.change({ text: `change ${i}` })
            await vi.advanceTimersByTimeAsync(pause)
            if (gone) await reloaded()
          }
          for (let round = 0; round < 60 && (page.unsaved || gone); round++) {
            if (gone) await reloaded()
            await vi.advanceTimersByTimeAsync(20)
          }
          expect(states.filter((state) => state.is === 'conflict')).toEqual([])
          expect(server.text).toBe(`change ${pauses.length - 1}`)
          expect(stored).toBeNull()
        },
      ),
    )
  })
})
