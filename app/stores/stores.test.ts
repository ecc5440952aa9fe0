import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { job as jobSchema } from '#core/records/job/job'
import type { JobRecord } from '#core/records/storage/kinds'
import { plainStone } from '#core/geometry/setup/sampleSetup.fixture'
import { memoryStorage } from '~/saving/memoryStorage'
import { useCollections } from './collections'
import { useOpenJob } from '~/job/openJob'
import { usePreferences } from './preferences'

const id = (n: number) => `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`
const at = '2026-05-01T09:00:00.000Z'
const meta = (n: number) => ({ id: id(n), revision: 1, createdAt: at, updatedAt: at, archivedAt: null })
const slot = { by: 'slot' as const, label: '3' }
const job = (n: number, name: string): JobRecord => ({
  ...jobSchema.parse({
    name,
    rigId: id(1),
    bladeId: id(2),
    stoneId: id(3),
    hold: { bladeXMm: 40, bladeYMm: 6, turnDeg: 0 },
    dialled: { A: slot, B: slot, linked: true },
    wanted: { deg: { A: 20, B: 20 }, linked: true },
  }),
  ...meta(n),
})

/** Requests as they are made, each answered when the test says so. */
const requests: {
  path: string
  method: string
  body: unknown
  answer: (value: unknown, status?: number) => Promise<void>
}[] = []
const tick = () => new Promise((resolve) => setTimeout(resolve))
const to = (path: string) => requests.find((one) => one.path === path)!

beforeEach(() => {
  setActivePinia(createPinia())
  requests.length = 0
  vi.stubGlobal('localStorage', memoryStorage())
  vi.stubGlobal('sessionStorage', memoryStorage())
  vi.stubGlobal(
    'fetch',
    (path: string, { method = 'GET', body }: { method?: string; body?: string } = {}) =>
      new Promise((resolve) => {
        const nothingKnown = { jobs: [], blades: [], log: { entries: [], unreadable: [], upTo: 0 } }
        const noBlade = { records: [], unreadable: [] }
        if (path.startsWith('/api/blades?ids=')) resolve({ ok: true, status: 200, json: async () => noBlade })
        if (path.startsWith('/api/around')) resolve({ ok: true, status: 200, json: async () => nothingKnown })
        requests.push({
          path,
          method,
          body: body && JSON.parse(body),
          answer(value, status = 200) {
            resolve({ ok: status < 400, status, json: async () => value })
            return tick() as Promise<void>
          },
        })
      }),
  )
})
afterEach(() => vi.unstubAllGlobals())

describe('which job is open', () => {
  it('is the one that was asked for last, in whatever order the answers come', async () => {
    const open = useOpenJob()
    const [first, second] = [open.open(id(8)), open.open(id(9))]
    await to(`/api/jobs/${id(9)}`).answer(job(9, 'Second'))
    await to(`/api/jobs/${id(8)}`).answer(job(8, 'First'))
    await Promise.all([first, second])
    expect(open.session?.id).toBe(id(9))
    expect(open.session?.content.value.name).toBe('Second')
    open.close()
  })

  it('is none once it was left, even if its answer comes after that', async () => {
    const open = useOpenJob()
    const opening = open.open(id(8))
    open.close()
    await to(`/api/jobs/${id(8)}`).answer(job(8, 'First'))
    await opening
    expect([open.session, open.problem]).toEqual([null, null])
  })

  it('edits go to the job they were made on, not to the one that is opened next', async () => {
    const open = useOpenJob()
    const opening = open.open(id(8))
    await to(`/api/jobs/${id(8)}`).answer(job(8, 'First'))
    await opening
    open.session!.change('name', { name: 'First, renamed' })
    void open.open(id(9))
    await tick()
    expect(open.session).toBeNull()
    const sent = requests.find((one) => one.method === 'PUT')!
    expect([sent.path, (sent.body as JobRecord).name]).toEqual([`/api/jobs/${id(8)}`, 'First, renamed'])
    open.close()
  })

  it('why it is not open is told by the server’s own reason', async () => {
    const open = useOpenJob()
    const opening = open.open(id(8))
    await to(`/api/jobs/${id(8)}`).answer({ code: 'no-such-record', fields: [] }, 404)
    await opening
    expect(open.problem?.code).toBe('no-such-record')
  })
})

describe('the collections', () => {
  it('hold what can be read, coarse stones first, and name what cannot be', async () => {
    const collections = useCollections()
    const loading = collections.load()
    await tick()
    const fine = { ...plainStone, ...meta(3), grainUm: 5 }
    const coarse = { ...plainStone, ...meta(4), grainUm: 100 }
    const harmed = { kind: 'stones', id: id(5), name: 'Bent', why: 'unreadable', problems: [] }
    await to('/api/rigs?archived=true').answer({ records: [], unreadable: [] })
    await to('/api/blades?').answer({ records: [], last: [], unreadable: [], total: 0, elsewhere: 0, next: null })
    await to('/api/stones?archived=true').answer({ records: [fine, coarse], unreadable: [harmed] })
    const page = { records: [job(9, 'One')], blades: [], unreadable: [], total: 1, elsewhere: 0, next: null }
    await to('/api/jobs?limit=30').answer({ ...page, log: { entries: [], unreadable: [], upTo: 0 } })
    await to('/api/samples').answer({ count: 0 })
    await to('/api/instruments?archived=true').answer({ records: [], unreadable: [] })
    await to('/api/owners?archived=true').answer({ records: [], unreadable: [] })
    await to('/api/rig-versions').answer([])
    await loading
    expect(collections.stones.map((stone) => stone.grainUm)).toEqual([100, 5])
    expect(collections.unreadable.map((one) => one.name)).toEqual(['Bent'])
    expect([collections.loaded, collections.problem]).toEqual([true, null])
  })

  it('an answer that cannot be read is told as that, not as no answer', async () => {
    const collections = useCollections()
    const loading = collections.load()
    await tick()
    for (const request of [...requests]) await request.answer('<html>')
    await to('/api/rig-versions').answer([])
    await loading
    expect(collections.problem?.code).toBe('unreadable-answer')
    expect(collections.loaded).toBe(false)
  })
})

describe('preferences', () => {
  it('apply at once; a choice made elsewhere meanwhile gives way to this one', async () => {
    const preferences = usePreferences()
    const changing = preferences.change({ unit: 'in' })
    expect(preferences.unit).toBe('in')
    await tick()
    const current = { unit: 'mm', angles: 'included', sideNames: { A: 'A', B: 'B' }, revision: 4 }
    await requests[0]!.answer({ code: 'outdated', fields: [], current }, 409)
    expect(requests[1]!.body).toMatchObject({ unit: 'in', revision: 4 })
    await requests[1]!.answer({ ...current, unit: 'in', revision: 5 })
    await changing
    expect([preferences.unit, preferences.problem]).toEqual(['in', null])
  })

  it('a name that is too long is told and not applied', async () => {
    const preferences = usePreferences()
    await preferences.change({ sideNames: { A: 'The one with the stamp', B: 'B' } })
    expect(preferences.problem).toMatchObject({ field: 'sideNames.A', code: 'text-too-long', figures: { most: 12 } })
    expect(preferences.current.sideNames.A).toBe('A')
  })
})
