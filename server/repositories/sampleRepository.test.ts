import { afterAll, beforeAll, expect, it } from 'vitest'
import { job } from '../../core/records/job/job'
import { isSample } from '../../core/records/storage/samples'
import { RECORD_KINDS } from '../../core/records/storage/kinds'
import { plantSamples } from '../demo/plantSamples'
import type { OpenDatabase } from '../store/database'
import { freshDatabase } from '../store/freshDatabase.fixture'
import { bringBack, readAll } from './backupRepository'
import { removeSamples } from './sampleRepository'
import { recordRepository } from './recordRepository'

let open: OpenDatabase
beforeAll(async () => void (open = await freshDatabase()), 60_000)
afterAll(() => open.close())
const now = new Date('2026-05-01T09:00:00Z')
const whole = async () => {
  const { things, log, rigVersions } = await readAll(open.db, now)
  const ids = RECORD_KINDS.flatMap((kind) => things[kind].map((one) => one.id))
  return { things, log, rigVersions, ids, samples: ids.filter(isSample) }
}

it('samples come and go together; what an own job goes on with stays, and they come back as they were', async () => {
  await plantSamples(open.db)
  const planted = await whole()
  expect(planted.samples).toEqual(planted.ids)
  // Laid out twice, they are there once.
  await plantSamples(open.db)
  expect(await whole()).toEqual(planted)

  // Measured anew, a sample is still one; a copy of it, and a job on it, are the user's own.
  const [rigs, jobs] = [recordRepository(open.db, 'rigs'), recordRepository(open.db, 'jobs')]
  const [rig] = (await rigs.list()).records
  await rigs.update(rig!.id, 1, { ...rig!, notes: 'By the window now.' })
  const copy = await rigs.create({ ...rig!, name: 'My own' })
  const [sampleJob] = (await jobs.list()).records
  const own = await jobs.create({ ...job.parse(sampleJob), name: 'My own job' })
  if (!own.ok || !copy.ok) throw new Error('not kept')
  const before = await whole()

  const removed = await removeSamples(open.db, now)
  const left = await whole()
  const { rigId, bladeId, stoneId, progression } = own.kept
  expect(new Set(left.ids)).toEqual(new Set([copy.kept.id, own.kept.id, rigId, bladeId, stoneId, ...progression]))
  const kept = [bladeId, stoneId, ...progression]
  for (const { content } of left.log)
    expect(content).toMatchObject({ jobId: null, stoneId: expect.toSatisfy((id: string) => kept.includes(id)) })
  expect(left.things.jobs.map((one) => one.id)).toEqual([own.kept.id])

  expect((await bringBack(open.db, removed)).skipped.count).toBe(0)
  const back = await whole()
  expect(new Set(back.ids)).toEqual(new Set(before.ids))
  expect(back.things.rigs).toEqual(before.things.rigs)
  expect(back.rigVersions).toEqual(before.rigVersions)
  expect(new Set(back.log.map(({ id }) => id))).toEqual(new Set(before.log.map(({ id }) => id)))
}, 60_000)
