import { afterAll, beforeAll, expect, it } from 'vitest'
import { v7 as newId } from 'uuid'
import { OUTCOME_ALONE } from '../../core/log/entry'
import type { JobRecord } from '../../core/records/storage/kinds'
import { plantSamples } from '../demo/plantSamples'
import type { OpenDatabase } from '../store/database'
import { freshDatabase } from '../store/freshDatabase.fixture'
import { append } from './logRepository'
import { askedJobs, pageOfJobs } from './jobLists'
import { recordRepository } from './recordRepository'
import { dueJobs, readToday } from './today'

let open: OpenDatabase
let jobs: readonly JobRecord[]
const at = (ms: number) => new Date(Date.now() + ms).toISOString()
const about = (job: JobRecord, ms = 0) => ({
  ...{ id: newId(), at: at(ms), jobId: job.id, bladeId: job.bladeId, stoneId: null, instrumentId: null },
})
beforeAll(async () => {
  open = await freshDatabase()
  await plantSamples(open.db)
  jobs = (await recordRepository(open.db, 'jobs').list()).records
}, 60_000)
afterAll(() => open.close())

it('lists what is wanted back, the most pressing first, until it is handed back or off the bench', async () => {
  const repository = recordRepository(open.db, 'jobs')
  // The samples that are due are off the bench here.
  for (const { jobId } of await dueJobs(open.db))
    await repository.archive(jobId, jobs.find(({ id }) => id === jobId)!.revision)
  const due = async (job: JobRecord, dueOn: string) => {
    const written = await repository.update(job.id, job.revision, { ...job, dueOn })
    if (!written.ok) throw new Error(written.code)
    return written.kept
  }
  const later = await due(jobs[1]!, '2030-05-02')
  const sooner = await due(jobs[2]!, '2030-05-01')
  const ids = async () => (await dueJobs(open.db)).map(({ jobId, isReady }) => [jobId, isReady])
  expect(await ids()).toEqual([
    [sooner.id, false],
    [later.id, false],
  ])
  await append(open.db, [{ ...about(sooner), kind: 'put-to-use' }])
  expect(await ids()).toContainEqual([sooner.id, true])
  const strokes = { kind: 'strokes', side: 'A', count: 9, zone: null, strop: false, setup: null } as const
  await append(open.db, [{ ...about(sooner, 10), ...strokes }])
  expect(await ids()).toContainEqual([sooner.id, false])
  await append(open.db, [{ ...about(sooner, 20), kind: 'put-to-use' }])
  const handedBack = { ...about(sooner, 30), kind: 'handed-back' as const }
  await append(open.db, [handedBack])
  expect(await ids()).toEqual([[later.id, false]])
  await append(open.db, [{ ...about(sooner), kind: 'retraction', entryId: handedBack.id }])
  expect(await ids()).toHaveLength(2)
  await repository.archive(later.id, later.revision)
  expect(await ids()).toEqual([[sooner.id, true]])
})

it('a job that was given another blade stands as it does with that one, also by going back', async () => {
  const repository = recordRepository(open.db, 'jobs')
  const { id } = jobs.find(({ name }) => name === 'Pocket knife from the gate')!
  const other = jobs.find(({ name }) => name === 'Vine hooks')!
  const change = async (bladeId: string) => {
    const now = (await repository.find(id))!
    expect(await repository.update(id, now.revision, { ...now, bladeId })).toMatchObject({ ok: true })
  }
  const isReady = async () =>
    (await pageOfJobs(open.db, askedJobs.parse({ standing: 'ready' }))).records.some((one) => one.id === id)
  const { bladeId } = (await repository.find(id))!
  expect(await isReady()).toBe(true)
  await change(other.bladeId)
  expect(await isReady()).toBe(false)
  await change(bladeId)
  expect(await isReady()).toBe(true)
})

it('lists blades that are dull by now: those of which it was said first, then those that usually are', async () => {
  const dull = async () => (await readToday(open.db, at(0))).dull.first
  const [likely] = await dull()
  expect(likely).toMatchObject({ blade: 'Scion knife', dull: { is: 'likely', usualDays: expect.closeTo(77, 0) } })
  const gate = jobs.find(({ name }) => name === 'Pocket knife from the gate')!
  const said = { ...about(gate), kind: 'outcome' as const, ...OUTCOME_ALONE, outcome: 'rolled' as const }
  await append(open.db, [said])
  expect((await dull())[0]).toMatchObject({ jobId: gate.id, dull: { is: 'said', outcome: 'rolled' } })
  await append(open.db, [{ ...about(gate), kind: 'retraction', entryId: said.id }])
  expect((await dull()).map(({ blade }) => blade)).toEqual(['Scion knife'])
  // Put to use anew, it is sharp again.
  const { jobId, bladeId } = likely!
  await append(open.db, [{ ...about({ ...gate, id: newId(), bladeId }), kind: 'put-to-use' }])
  expect(jobId).not.toBe(gate.id)
  expect(await dull()).toEqual([])
})
