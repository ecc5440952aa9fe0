import { expect, it } from 'vitest'
import { nextStep } from '../../core/process/steps/nextStep'
import { possibleBlade } from '../../core/records/blade/impossible'
import { evenEdgePoints } from '../../core/math/curve/edgePoints'
import { asSet } from '../../core/uncertainty/asSet'
import { evaluate } from '../../core/uncertainty/evaluate'
import { job } from '../../core/records/job/job'
import { possibleRig } from '../../core/records/rig/possibleRig'
import { stone } from '../../core/records/stone/stone'
import { demoBlades } from './blades'
import { demoJobs } from './jobs'
import { demoRigs } from './rigs'
import { demoStones } from './stones'

const id = '0197a000-0000-7000-8000-000000000001'

it.each(demoJobs.map((one) => [one.name, one] as const))('%s can be held, reached and dialled', (_, one) => {
  const records = {
    rig: possibleRig.parse(demoRigs[one.rig]),
    blade: possibleBlade.parse(demoBlades[one.blade]),
    stone: stone.parse(demoStones[one.stoneNumber - 1]),
  }
  const content = job.parse({ ...one, rigId: id, bladeId: id, stoneId: id })
  const setup = { ...records, hold: content.hold }
  const evaluation = evaluate(setup, content, evenEdgePoints(records.blade.edge, 100))
  const now = asSet(content, { ...setup.rig, revision: 1 }, evaluation)
  const step = nextStep({ setup, job: content, purpose: 'new-angle', evaluation, setNow: now, log: [] })
  // Nothing stands against how it is held; what is uneven along its edge is a matter of choice.
  expect(['measure-height', 'choose-stones', 'even-angle']).toContain(step?.toDo.does)
})

it.each(Object.values(demoBlades).map((one) => [one.name, one] as const))('%s can be', (_, one) => {
  expect(possibleBlade.safeParse(one)).toMatchObject({ success: true })
})
