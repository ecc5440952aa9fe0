import { createApp, effectScope, type EffectScope } from 'vue'
import { expose, type Endpoint } from 'comlink'
import { createPinia, setActivePinia } from 'pinia'
import { vi } from 'vitest'
import { bellyBlade, plainStone, postRig, slotRig } from '#core/geometry/setup/sampleSetup.fixture'
import { instrument } from '#core/records/instrument/instrument'
import { job as jobSchema, type Job } from '#core/records/job/job'
import type { LogEntry } from '#core/log/entry'
import type { JobRecord } from '#core/records/storage/kinds'
import { memoryStorage } from '~/saving/memoryStorage'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'
import { usePreferences } from '~/stores/preferences'
import { TASKS, type TaskName } from '~/workers/tasks'
import { jobPractice } from './practice'
import { jobSession, type JobSession } from './session'
import { JOB } from './useJob'
import { jobView } from './view'

export const AT = '2026-05-01T09:00:00.000Z'
export const id = (n: number) => `0197a000-0000-7000-8000-${String(n).padStart(12, '0')}`
const meta = (n: number) => ({ id: id(n), revision: 1, createdAt: AT, updatedAt: AT, archivedAt: null })
const sabre = { ...bellyBlade, primaryGrindHeightMm: 14, widthMm: 28 }

/** What the server has: rigs 1 and 2, blades 3 and 4, stone 5, a level gauge 6 that shows 0.3° too much. */
const shelf = () => ({
  rigs: [
    { ...postRig, ...meta(1) },
    { ...slotRig, ...meta(2) },
  ],
  blades: [
    { ...sabre, ...meta(3), name: 'Garden knife' },
    { ...sabre, ...meta(4), name: 'Second knife' },
  ],
  stones: [{ ...plainStone, ...meta(5) }],
  instruments: [
    {
      ...instrument.parse({ name: 'Gauge', kind: 'level-gauge', uncertaintyDeg: 0.2, zeroDeg: 0.3 }),
      ...meta(6),
    },
  ],
  owners: [],
})
type Shelf = ReturnType<typeof shelf>

const START: JobRecord = {
  ...jobSchema.parse({
    name: 'Garden knife',
    rigId: id(1),
    rigRevision: 1,
    bladeId: id(3),
    stoneId: id(5),
    hold: { bladeXMm: 40, bladeYMm: 8, turnDeg: 0 },
    dialled: { A: { by: 'millimetres', mm: 43 }, B: { by: 'millimetres', mm: 43 }, linked: true },
    wanted: { deg: { A: 20, B: 20 }, linked: true },
  }),
  ...meta(9),
}

/** A server in memory, which answers what the stores of a page ask of it. */
function serverOf(shelf: Shelf) {
  const versions: object[] = []
  const page = (records: readonly object[]) => {
    const log = { entries: [], unreadable: [], upTo: 0 }
    return { records, blades: [], last: [], log, unreadable: [], total: records.length, elsewhere: 0, next: null }
  }
  const answer = (path: string, method: string, sent: unknown): unknown => {
    const [, kind = '', of = ''] = /^\/api\/([^/?]+)\/?([^?]*)/.exec(path) ?? []
    if (kind === 'log' && method === 'POST') return { taken: (sent as LogEntry[]).map((one) => one.id), refused: [] }
    if (kind === 'log') return page([]).log
    if (kind === 'samples') return { count: 0 }
    if (kind === 'rig-versions') return versions
    if (kind === 'jobs') return page([])
    if (!(kind in shelf)) throw new Error(`The test's server knows no ${path}.`)
    const records = shelf[kind as keyof Shelf]
    if (method !== 'PUT') return page(records)
    const at = records.findIndex((one) => one.id === of)
    const { revision, ...content } = sent as Shelf['rigs'][number]
    const {
      id: rigId,
      createdAt,
      updatedAt,
      archivedAt,
      revision: before,
      ...was
    } = records[at] as Shelf['rigs'][number]
    versions.push({ rigId, revision: before, content: was, until: AT })
    const saved = { ...content, id: rigId, createdAt, updatedAt, archivedAt, revision: revision + 1 }
    records.splice(at, 1, saved as never)
    return saved
  }
  return async (path: string, { method = 'GET', body }: { method?: string; body?: string } = {}) => {
    const value = answer(path, method, body && (JSON.parse(body) as unknown))
    return { ok: true, status: 200, json: async () => value }
  }
}

/** What a page takes for a worker of the bench: its tasks run here, each to its end. */
function testWorker() {
  const { port1, port2 } = new MessageChannel()
  const run = (name: TaskName, ask: never) => {
    const task: Generator<number, unknown, void> = TASKS[name](ask)
    for (;;) {
      const step = task.next()
      if (step.done) return step.value
    }
  }
  expose({ run, stop: () => undefined }, port2 as unknown as Endpoint)
  return Object.assign(port1, { terminate: () => port1.close() })
}

let scope: EffectScope | null = null
/** A job that is open on a page, with the stores and the server behind it. */
export async function openTestJob(change: Partial<Job> = {}, before: readonly LogEntry[] = []) {
  closeTestJob()
  vi.stubGlobal('localStorage', memoryStorage())
  vi.stubGlobal('sessionStorage', memoryStorage())
  vi.stubGlobal('document', { querySelector: () => null })
  vi.stubGlobal('useToast', () => ({ add: () => undefined }))
  vi.stubGlobal('Worker', function () {
    return testWorker()
  })
  vi.stubGlobal('fetch', serverOf(shelf()))
  setActivePinia(createPinia())
  const stores = { collections: useCollections(), preferences: usePreferences(), log: useLog() }
  await stores.collections.load()
  if (stores.collections.problem) throw new Error(JSON.stringify(stores.collections.problem))
  stores.log.append(before)
  const start = { ...START, ...change }
  const session = jobSession(start, {
    local: memoryStorage(),
    session: memoryStorage(),
    now: () => new Date(AT),
    append: stores.log.append,
    fetch: async () => ({ ok: true, value: start }),
    send: async (changed, revision) => ({ ok: true, value: { ...start, ...changed, revision: revision + 1 } }),
  })
  scope = effectScope()
  const practice = scope.run(() => jobPractice(session))!
  /** The pages of the job, or of the copy that is practised on. `use`: what a composable gives on a page of it. */
  function pagesOf(shown: JobSession) {
    const job = scope!.run(() => jobView(shown, stores, practice))!
    const app = createApp({}).provide(JOB, job)
    return { job, use: <T>(composable: () => T): T => app.runWithContext(() => scope!.run(composable)!) }
  }
  const pages = pagesOf(session)
  return {
    ...pages,
    stores,
    log: () => stores.log.ofJob(pages.job.id),
    practising: () => pagesOf(practice.session.value!),
  }
}
export function closeTestJob() {
  scope?.stop()
  scope = null
  vi.unstubAllGlobals()
}
