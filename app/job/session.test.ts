import { beforeEach, describe, expect, it, vi } from 'vitest'
import { job as jobSchema, type Job } from '#core/records/job/job'
import type { JobRecord } from '#core/records/storage/kinds'
import type { LogEntry, Reading } from '#core/log/entry'
import { activeEntries } from '#core/log/activeEntries'
import type { Answer } from '~/saving/api'
import { memoryStorage } from '~/saving/memoryStorage'
import { jobSession, type SessionParts } from './session'

const id = (n: number) => `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`
const slot = (label: string) => ({ by: 'slot' as const, label })
const content: Job = jobSchema.parse({
  name: 'Orchard knife',
  rigId: id(1),
  bladeId: id(2),
  stoneId: id(3),
  hold: { bladeXMm: 40, bladeYMm: 6, turnDeg: 0 },
  dialled: { A: slot('3'), B: slot('3'), linked: true },
  wanted: { deg: { A: 20, B: 20 }, linked: true },
})
const at = '2026-05-01T09:00:00.000Z'
const kept = (more: Partial<JobRecord> = {}): JobRecord => ({
  ...content,
  id: id(9),
  revision: 1,
  createdAt: at,
  updatedAt: at,
  archivedAt: null,
  ...more,
})
const reading = (n: number): Reading => ({
  id: id(n),
  at,
  jobId: id(9),
  bladeId: null,
  stoneId: null,
  instrumentId: null,
  kind: 'reading',
  side: 'A',
  placeMm: 10,
  deg: 20,
  uncertaintyDeg: 0.1,
  zero: 'centre-plane',
  expectedDeg: null,
  setup: null,
})

/** A job on a bench whose server keeps what it is sent, unless it is out of reach. */
function bench(storage = { local: memoryStorage(), session: memoryStorage() }, start = kept()) {
  const server = { job: start, reachable: true }
  const log: LogEntry[] = []
  const parts: SessionParts = {
    ...storage,
    now: () => new Date(at),
    append: (entries) => log.push(...entries),
    fetch: async () => ({ ok: true, value: server.job }),
    async send(changed, revision): Promise<Answer<JobRecord>> {
      if (!server.reachable) return { ok: false, status: 0, problem: { code: 'no-answer', fields: [] } }
      if (revision !== server.job.revision)
        return { ok: false, status: 409, problem: { code: 'outdated', fields: [], current: server.job } }
      server.job = { ...server.job, ...changed, revision: revision + 1 }
      return { ok: true, value: server.job }
    },
  }
  const session = jobSession(start, parts)
  return { session, server, log, storage, activeEntries: () => activeEntries(log).map((entry) => entry.id) }
}
const settled = () => vi.advanceTimersByTimeAsync(1000)

describe('an opened job', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    return () => vi.useRealTimers()
  })

  it('keeps each change, and undoes and does it again', async () => {
    const { session, server } = bench()
    expect(session.change('name', { name: 'Pruner' })).toEqual([])
    await settled()
    expect(server.job).toMatchObject({ name: 'Pruner', revision: 2 })
    expect(session.canUndo.value).toBe('name')
    expect(session.goBack()).toBe('Undone: name')
    await settled()
    expect(server.job).toMatchObject({ name: 'Orchard knife', revision: 3 })
    // Where nothing is left to undo, nothing is said to have been.
    expect(session.goBack()).toBeNull()
    expect(session.goForward()).toBe('Done again: name')
    expect(session.content.value.name).toBe('Pruner')
    expect(session.goForward()).toBeNull()
  })

  it('takes nothing that the schema refuses, and says at which field', () => {
    const { session } = bench()
    expect(session.change('name', { name: ' ' })).toEqual([{ field: 'name', code: 'text-missing' }])
    expect(session.content.value).toEqual(content)
    expect(session.canUndo.value).toBeNull()
  })

  it('undoes only what it did: what was changed elsewhere since stays', async () => {
    const { session, server } = bench()
    session.change('name', { name: 'Pruner' })
    await settled()
    server.job = { ...server.job, notes: 'From the other device.', revision: server.job.revision + 1 }
    await session.heard(server.job.revision)
    session.goBack()
    expect(session.content.value).toMatchObject({ name: 'Orchard knife', notes: 'From the other device.' })
  })

  it('says so when a step no longer fits what stands there', async () => {
    const { session, server } = bench()
    session.change('order', { progression: [id(3), id(4)] })
    session.change('order', { progression: [id(3)] })
    await settled()
    server.job = { ...server.job, progression: [], revision: server.job.revision + 1 }
    await session.heard(server.job.revision)
    session.goBack()
    session.goBack()
    expect(session.notice.value).toEqual({ is: 'step-no-longer-fits', label: 'order' })
    expect(session.canUndo.value).toBeNull()
  })

  it('a drag is one step of the undo, and leaves what it does not touch as it was, the same objects', async () => {
    const { session, server } = bench()
    const [hold, wanted] = [session.content.value.hold, session.content.value.wanted]
    for (const by of [1, 2, 3])
      session.change('move the blade', { hold: { ...hold, bladeXMm: hold.bladeXMm + by } }, 'drag-1')
    expect(session.content.value.wanted).toBe(wanted)
    // What another hand changes meanwhile is no part of it.
    server.job = { ...server.job, notes: 'From the other device.', revision: server.job.revision + 1 }
    await settled()
    session.change('move the blade', { hold: { ...hold, bladeXMm: hold.bladeXMm + 9 } }, 'drag-1')
    session.goBack()
    session.goBack()
    expect(session.content.value).toMatchObject({ hold, notes: 'From the other device.' })
    expect(session.canUndo.value).toBeNull()
  })

  it('an entry and the change that goes with it are one step: both go and come back together', async () => {
    const { session, server, activeEntries } = bench()
    const dialled = { A: slot('5'), B: slot('5'), linked: true }
    session.record('note as dialled', [reading(20)], [], { dialled })
    await settled()
    expect([server.job.dialled, activeEntries()]).toEqual([dialled, [id(20)]])
    session.goBack()
    await settled()
    expect([server.job.dialled, activeEntries()]).toEqual([content.dialled, []])
    session.goForward()
    await settled()
    expect([server.job.dialled, activeEntries()]).toEqual([dialled, [id(20)]])
    expect(session.record('note', [reading(21)], [], { name: ' ' })).toMatchObject([{ field: 'name' }])
    expect(activeEntries()).toEqual([id(20)])
  })

  it('an entry of the log is a step as well: struck out by undo, back by redo, as often as one likes', () => {
    const { session, activeEntries } = bench()
    session.record('read angle', [reading(20)])
    session.record('read angle', [reading(21)], [id(20)])
    expect(activeEntries()).toEqual([id(21)])
    for (let i = 0; i < 3; i++) {
      session.goBack()
      expect(activeEntries()).toEqual([id(20)])
      session.goForward()
      expect(activeEntries()).toEqual([id(21)])
    }
    session.goBack()
    session.goBack()
    expect(activeEntries()).toEqual([])
  })

  it('takes up what an earlier page of this browser could not send, written by an earlier version too', async () => {
    const first = bench()
    first.server.reachable = false
    first.session.change('name', { name: 'Pruner' })
    await settled()
    expect(first.session.saveState.value).toMatchObject({ is: 'waiting', problem: { code: 'no-answer' } })
    const later = bench(first.storage)
    expect(later.session.content.value.name).toBe('Pruner')
    await settled()
    expect(later.server.job.name).toBe('Pruner')

    const storage = { local: memoryStorage(), session: memoryStorage() }
    const { hold, dialled, wanted, ...rest } = content
    const before = {
      ...rest,
      name: 'From before',
      held: hold,
      dialled: { a: dialled.A, b: dialled.B, linked: true },
      wanted: { aDeg: 20, bDeg: 20, linked: true, why: wanted.why },
    }
    storage.local.setItem(`jaw-tilt-unsaved:${id(9)}`, JSON.stringify({ revision: 1, content: before }))
    expect(bench(storage).session.content.value).toEqual({ ...content, name: 'From before' })
  })

  it('what another device changed of something else is put together with what was changed here, and undo keeps it', async () => {
    const { session, server, storage } = bench()
    server.job = { ...server.job, hold: { ...content.hold, turnDeg: 3 }, revision: 5 }
    session.change('name', { name: 'Mine' })
    await settled()
    expect(session.saveState.value.is).toBe('saved')
    expect(server.job).toMatchObject({ name: 'Mine', hold: { turnDeg: 3 }, revision: 6 })
    session.goBack()
    await settled()
    expect(session.content.value).toMatchObject({ name: 'Orchard knife', hold: { turnDeg: 3 } })
    // So it is with a change that an earlier page could not send.
    server.reachable = false
    session.change('name', { name: 'Left behind' })
    await settled()
    Object.assign(server, { reachable: true, job: { ...server.job, notes: 'Theirs', revision: 9 } })
    const next = bench(storage, server.job)
    await settled()
    expect(next.server.job).toMatchObject({ name: 'Left behind', notes: 'Theirs', hold: { turnDeg: 3 } })
  })

  it('a rig stays with the hold and the dial that were meant for it, when the two were changed in both places', async () => {
    const { session, server } = bench()
    const theirs = { rigId: id(7), hold: { ...content.hold, turnDeg: 4 }, notes: 'Theirs' }
    server.job = { ...server.job, ...theirs, revision: 5 }
    session.change('turn in the jaws', { hold: { ...content.hold, turnDeg: 1 } })
    await settled()
    session.resolve('mine')
    await settled()
    expect(server.job).toMatchObject({ rigId: content.rigId, hold: { turnDeg: 1 }, notes: 'Theirs' })
    session.goBack()
    expect(session.content.value).toMatchObject({ rigId: content.rigId, hold: { turnDeg: 0 } })
  })

  it('two versions stand until one is chosen, and taking the other can be undone', async () => {
    const { session, server } = bench()
    server.job = { ...server.job, name: 'Theirs', notes: 'Also theirs', revision: 5 }
    session.change('name', { name: 'Mine' })
    await settled()
    expect(session.saveState.value.is).toBe('conflict')
    session.resolve('theirs')
    expect(session.content.value.name).toBe('Theirs')
    session.goBack()
    await settled()
    expect(server.job).toMatchObject({ name: 'Mine', notes: 'Also theirs', revision: 6 })
  })
})
