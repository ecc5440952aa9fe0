import { afterAll, beforeAll, expect, it } from 'vitest'
import { clearances, jawFit, reachAlong } from '../../core/geometry/hold/holdChecks'
import { gripOf } from '../../core/geometry/hold/grip'
import { CLEARANCE_TOLERANCE_DEG } from '../../core/geometry/hold/jawClearance'
import { byTime } from '../../core/log/activeEntries'
import type { LogEntry } from '../../core/log/entry'
import { evenEdgePoints } from '../../core/math/curve/edgePoints'
import type { JobNow } from '../../core/process/steps/jobNow'
import { nextStep } from '../../core/process/steps/nextStep'
import { stationStates } from '../../core/process/steps/stationStates'
import { stepsOf } from '../../core/process/steps/steps'
import { usualPurpose } from '../../core/process/purposes'
import { possibleBlade } from '../../core/records/blade/impossible'
import { SIDES } from '../../core/records/common/side'
import { onRig } from '../../core/records/rig/fittedAt'
import { fittedWith } from '../../core/records/rig/jaws'
import { dullBy, lastEdgeOf } from '../../core/use/edgeLife'
import { nextAngle } from '../../core/use/nextAngle'
import { sharpeningsOf } from '../../core/use/sharpenings'
import type { OpenDatabase } from '../store/database'
import { freshDatabase } from '../store/freshDatabase.fixture'
import { asSet } from '../../core/uncertainty/asSet'
import { evaluate } from '../../core/uncertainty/evaluate'
import { listLog } from '../repositories/logRepository'
import { recordRepository } from '../repositories/recordRepository'
import { demoBlades } from './blades'
import { demoJobs } from './jobs'
import { plantSamples } from './plantSamples'

let open: OpenDatabase
const planted = new Map<string, JobNow>()
beforeAll(async () => {
  open = await freshDatabase()
  await plantSamples(open.db)
  const [rigs, blades, stones, jobs] = await Promise.all([
    recordRepository(open.db, 'rigs').list(),
    recordRepository(open.db, 'blades').list(),
    recordRepository(open.db, 'stones').list(),
    recordRepository(open.db, 'jobs').list(true),
  ])
  const { entries } = await listLog(open.db, 0)
  for (const job of jobs.records) {
    const rig = fittedWith(
      rigs.records.find(({ id }) => id === job.rigId)!,
      job.jawsName,
    )
    const blade = blades.records.find(({ id }) => id === job.bladeId)!
    const stoneOf = (id: string) =>
      onRig(
        rig,
        stones.records.find((one) => one.id === id)!,
      )
    const setup = { rig, blade, stone: stoneOf(job.stoneId), hold: job.hold }
    const evaluation = evaluate(setup, job, evenEdgePoints(blade.edge, 100))
    const log = entries.filter((entry: LogEntry) => entry.jobId === job.id)
    const purpose = job.purpose ?? usualPurpose(blade, job, [])
    planted.set(job.name, { setup, job, purpose, evaluation, setNow: asSet(job, rig, evaluation), log, stoneOf })
  }
}, 60_000)
afterAll(() => open.close())

it.each(demoJobs.map(({ name }) => name))('%s passes every check of how it is held', (name) => {
  const { setup, evaluation } = planted.get(name)!
  expect(gripOf(setup.blade, setup.rig).trouble(setup.hold)).toBeNull()
  expect(jawFit(setup)?.verdict).not.toBe('bad')
  for (const side of setup.blade.bevels === 'A' ? (['A'] as const) : SIDES) {
    const set = evaluation.sides[side]
    if (!set.ok) throw new Error(set.code)
    const { heel, tip, between } = reachAlong(setup, evenEdgePoints(setup.blade.edge, 100), set.along)
    for (const one of [heel, tip, between]) expect(one?.contact.ok ?? true).toBe(true)
    for (const { jaws, nearest } of clearances(setup, side, set.along))
      if (jaws.name === setup.rig.jaws?.name && nearest)
        expect(nearest.setDeg).toBeGreaterThan(nearest.lowestDeg - CLEARANCE_TOLERANCE_DEG)
  }
})

it('of those on the bench one is at each station on the way, one is done with; the others have just begun', () => {
  const next = demoJobs
    .filter(({ archived }) => !archived)
    .map(({ name }) => [name, nextStep(planted.get(name)!)?.toDo.does ?? null])
  expect(Object.fromEntries(next)).toEqual({
    'Pocket knife from the gate': null,
    'Grafting knife, spring': 'dial',
    'Vine hooks': 'even-angle',
    'Packing-room cutter': 'measure-height',
    'Chef’s knife, weekly': 'measure-height',
    'Paring knife, café': 'decide',
    'Harvest knife, before the vintage': 'grind',
    'Paring knife, tea room': 'prove',
    'Pocket knife, second owner': 'put-to-use',
    'Lodge paring knife 1': 'read',
    'Lodge paring knife 2': 'measure-height',
    'Lodge paring knife 3': 'measure-height',
    'Lodge paring knife 4': 'measure-height',
  })
  const finished = Object.values(stationStates(stepsOf(planted.get('Pocket knife from the gate')!)))
  expect(finished.every(({ is }) => is === 'done' || is === 'not-needed')).toBe(true)
})

it.each(Object.values(demoBlades).map((one) => [one.name, one] as const))('%s can be', (_, one) => {
  expect(possibleBlade.safeParse(one)).toMatchObject({ success: true })
})

it('the scion knife has two years behind it: its angle went down until it rolled, and is known since', () => {
  const log = demoJobs.flatMap(({ name }) => (name.startsWith('Scion') ? planted.get(name)!.log : [])).sort(byTime)
  const sharpenings = sharpeningsOf(log, { bevels: 'both' })
  expect(sharpenings.map(({ became }) => became)).toEqual(['held', 'held', 'held', 'rolled', 'held', 'held'])
  expect(sharpenings.every(({ isProved }) => isProved)).toBe(true)
  expect(nextAngle(sharpenings, { sharpenedBefore: null }, [17, 22])).toMatchObject({
    does: 'same',
    why: 'near-its-limit',
  })
  expect(dullBy(lastEdgeOf(sharpenings)!, new Date().toISOString())).toMatchObject({ is: 'likely' })
})

it.each(demoJobs.filter(({ archived }) => archived).map(({ name }) => name))('%s left nothing to do', (name) => {
  expect(nextStep(planted.get(name)!)).toBeNull()
})
