import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { plantSamples } from '../demo/plantSamples'
import { aroundJob, jobPage } from '../../core/exchange/api/lists'
import { job } from '../../core/records/job/job'
import type { JobRecord } from '../../core/records/storage/kinds'
import type { OpenDatabase } from '../store/database'
import { LEVELS } from '../../core/log/choices'
import type { EntryOf, LogEntry } from '../../core/log/entry'
import { activeEntries, ofKind } from '../../core/log/activeEntries'
import { storeEntry } from '../../core/log/stored'
import { addEntries } from './logRepository'
import { freshDatabase } from '../store/freshDatabase.fixture'
import { aroundAJob, askedJobs, jobNames, logOfAllJobs, pageOfJobs } from './jobLists'
import { readRecord } from './recordLog'
import { recordRepository } from './recordRepository'

type PracticeEntry = EntryOf<'practice'>

let open: OpenDatabase
let made: JobRecord[]
const asked = askedJobs.parse({ limit: 3 })
beforeAll(async () => {
  open = await freshDatabase()
  await plantSamples(open.db)
  made = (await recordRepository(open.db, 'jobs').list()).records
}, 60_000)
afterAll(() => open.close())
const names = (records: readonly { name: string }[]) => records.map(({ name }) => name)

describe('the list of jobs', () => {
  it('comes in parts, the last changed first, each once, with what happened on them', async () => {
    await recordRepository(open.db, 'jobs').update(made[0]!.id, 1, { ...job.parse(made[0]), notes: 'Once more.' })
    const parts: JobRecord[] = []
    let from: string | null = null
    do {
      const part = await pageOfJobs(open.db, { ...asked, from })
      expect(jobPage.safeParse(JSON.parse(JSON.stringify(part))).success).toBe(true)
      expect(part.records.length).toBeLessThanOrEqual(3)
      expect(part.total).toBe(made.length)
      const ids = part.records.map(({ id }) => id)
      expect(part.log.entries.every(({ jobId }) => ids.includes(jobId!))).toBe(true)
      expect(new Set(part.blades.map(({ id }) => id))).toEqual(new Set(part.records.map(({ bladeId }) => bladeId)))
      parts.push(...part.records)
      from = part.next
    } while (from)
    expect(parts[0]!.id).toBe(made[0]!.id)
    expect(parts.map(({ updatedAt }) => updatedAt)).toEqual(
      parts
        .map(({ updatedAt }) => updatedAt)
        .sort()
        .reverse(),
    )
    expect(new Set(parts.map(({ id }) => id)).size).toBe(made.length)
  })

  it('finds words of the job, of its blade and of its rig, however they begin; nothing a word does not begin', async () => {
    const found = async (search: string) => names((await pageOfJobs(open.db, { ...asked, limit: 99, search })).records)
    const [first] = made
    const rig = await recordRepository(open.db, 'rigs').find(first!.rigId)
    const [word] = rig!.name.split(' ')
    expect(await found(`${first!.name.slice(0, 4)} ${word!.toUpperCase()}`)).toContain(first!.name)
    expect(await found('no such thing as this')).toEqual([])
    // Signs of the search language are signs, not orders.
    expect(await found("' | ! & :* \\ (")).toHaveLength(made.length)
    expect(await found(`${first!.name} !nothing`)).toEqual([])
  })

  it('is of those alone that stand somewhere, or whose blade is somebody’s', async () => {
    const of = async (more: Partial<typeof asked>) =>
      names((await pageOfJobs(open.db, { ...asked, limit: 99, ...more })).records)
    const ready = await of({ standing: 'ready' })
    expect(ready).toContain('Pocket knife from the gate')
    const [received, onTheBench] = [await of({ standing: 'received' }), await of({ standing: 'on-the-bench' })]
    expect([...ready, ...received, ...onTheBench].sort()).toEqual(names(made).sort())
    expect(received).toContain('Vine hooks')
    expect(await of({ owner: 'Tea-room' })).toEqual(expect.arrayContaining(['Paring knife, tea room']))
    expect(await of({ owner: 'Tea-' })).toEqual([])
  })

  it('what is off the bench is a list of its own', async () => {
    const away = made[1]!
    const before = await pageOfJobs(open.db, { ...asked, away: true })
    await recordRepository(open.db, 'jobs').archive(away.id, 1)
    expect(names((await pageOfJobs(open.db, { ...asked, away: true })).records)).toEqual(
      names([away, ...before.records]).slice(0, asked.limit),
    )
    expect(await pageOfJobs(open.db, asked)).toMatchObject({ total: made.length - 1, elsewhere: before.total + 1 })
    await recordRepository(open.db, 'jobs').restore(away.id, 2)
  })
})

it('around a job is what was proved on its rig with the jobs it was proved on, and earlier jobs with its blade', async () => {
  const proved = await Promise.all(
    made.map(async (one) => ({ one, around: await aroundAJob(open.db, { ...one, jobId: one.id }) })),
  )
  const { one, around } = proved.find((some) => some.around.log.entries.some(({ kind }) => kind === 'proof'))!
  expect(aroundJob.safeParse(JSON.parse(JSON.stringify(around))).success).toBe(true)
  const rigOf = (id: string | null) => around.jobs.find((other) => other.id === id)?.rigId
  const proofs = around.log.entries.filter(({ kind }) => kind === 'proof')
  expect(proofs.filter(({ jobId }) => rigOf(jobId) === one.rigId).length).toBeGreaterThan(0)
  const withBlade = made.filter(({ bladeId }) => bladeId === one.bladeId).map(({ id }) => id)
  expect(around.jobs.map(({ id }) => id)).toEqual(expect.arrayContaining(withBlade))
  // With every blade that something was proved on, and its own.
  const known = around.blades.map(({ id }) => id)
  expect(known).toEqual(expect.arrayContaining([one.bladeId, ...proofs.map((proof) => proof.bladeId)]))
  expect(around.log.entries.filter(({ jobId }) => jobId === one.id).length).toBeGreaterThan(0)
})

it('what was proved on a rig is its own, whatever rig the job was given since', async () => {
  const jobs = recordRepository(open.db, 'jobs')
  const proofsOn = async (rigId: string) => {
    const around = await aroundAJob(open.db, { jobId: null, rigId, bladeId: uuid() })
    return ofKind(around.log.entries, 'proof').map(({ id }) => id)
  }
  const recorded = async (rigId: string) =>
    ofKind((await readRecord(open.db, 'rig', rigId)).log.entries, 'proof').map(({ id }) => id)
  const [before] = (await jobs.list()).records.filter(({ name }) => name === 'Pocket knife from the gate')
  const other = made.find(({ rigId }) => rigId !== before!.rigId)!
  const mine = ofKind((await readRecord(open.db, 'blade', before!.bladeId)).log.entries, 'proof')
    .filter(({ jobId }) => jobId === before!.id)
    .map(({ id }) => id)
  expect(mine.length).toBeGreaterThan(0)
  await jobs.update(before!.id, before!.revision, job.parse({ ...before, ...pickRig(other), jawsName: null }))
  expect(await proofsOn(before!.rigId)).toEqual(expect.arrayContaining(mine))
  expect(await recorded(before!.rigId)).toEqual(expect.arrayContaining(mine))
  expect(await recorded(other.rigId)).not.toEqual(expect.arrayContaining(mine))
  await jobs.update(before!.id, before!.revision + 1, job.parse(before))
})
const pickRig = ({ rigId, rigRevision }: JobRecord) => ({ rigId, rigRevision })

it('around a job that is to be is all that tells of the bevel its blade has, on whatever job and rig', async () => {
  const { entries } = (
    await Promise.all(made.map(({ id, rigId, bladeId }) => aroundAJob(open.db, { jobId: id, rigId, bladeId })))
  ).reduce((most, { log }) => (log.entries.length > most.entries.length ? log : most), { entries: [] as LogEntry[] })
  const { bladeId } = entries.find(({ kind }) => kind === 'strokes')!
  const { rigId } = made.find((one) => one.bladeId !== bladeId)!
  const around = await aroundAJob(open.db, { jobId: null, rigId, bladeId: bladeId! })
  const telling = (log: readonly LogEntry[]) =>
    log.filter((one) => one.bladeId === bladeId && ['proof', 'strokes', 'bevel-found', 'ink-look'].includes(one.kind))
  expect(telling(around.log.entries).map(({ id }) => id)).toEqual(telling(entries).map(({ id }) => id))
})

it('names that are taken, and what is of no job', async () => {
  expect(await jobNames(open.db, made[2]!.name.slice(0, 5))).toContain(made[2]!.name)
  expect(await jobNames(open.db, '%')).toEqual([])
  const { entries } = await logOfAllJobs(open.db)
  expect(entries.length).toBeGreaterThan(0)
  expect(new Set(entries.filter(({ jobId }) => jobId !== null).map(({ kind }) => kind))).toEqual(
    new Set(['stone-done']),
  )
})

it('what a stone did on any job comes to begin with, and that it was taken back', async () => {
  const [job] = made
  const about = { at: '2026-03-01T10:00:00.000Z', jobId: job!.id, bladeId: job!.bladeId, stoneId: job!.stoneId }
  const stoneDone = {
    ...about,
    instrumentId: null,
    kind: 'stone-done' as const,
    minutes: null,
    side: null,
    removedMm3: 2,
    strokes: 150,
    setup: null,
  }
  const [kept, back] = [uuid(), uuid()]
  const retraction = { ...about, instrumentId: null, id: uuid(), kind: 'retraction' as const, entryId: back }
  await addEntries(open.db, [{ ...stoneDone, id: kept }, { ...stoneDone, id: back }, retraction].map(storeEntry))
  const doneThen = async () => {
    const { entries } = await logOfAllJobs(open.db)
    const done = ofKind(activeEntries(entries), 'stone-done')
    return done.filter(({ at }) => at === about.at).map(({ id }) => id)
  }
  expect(await doneThen()).toEqual([kept])
})

it('of all that was practised, the best of each level', async () => {
  const practised = (level: PracticeEntry['level'], points: number, looks: number): PracticeEntry => ({
    id: uuid(),
    at: '2026-03-01T10:00:00.000Z',
    jobId: null,
    bladeId: null,
    stoneId: null,
    instrumentId: null,
    kind: 'practice',
    level,
    points,
    looks,
  })
  const [easy, hard] = [LEVELS[0], LEVELS[2]]
  const all = [
    practised(easy, 60, 9),
    practised(easy, 80, 9),
    practised(hard, 9, 3),
    practised(easy, 80, 7),
    practised(easy, 70, 1),
  ]
  const best = practised(easy, 99, 1)
  const retraction = { ...best, id: uuid(), kind: 'retraction' as const, entryId: best.id }
  await addEntries(open.db, [...all, best, retraction].map(storeEntry))
  const { entries } = await logOfAllJobs(open.db)
  expect(entries.filter(({ kind }) => kind === 'practice')).toEqual([all[2], all[3]])
  expect(entries.some(({ kind }) => kind === 'stone-wear')).toBe(true)
})
