import { expect, it } from 'vitest'
import { stationStates } from './stationStates'
import type { OutOfDate, StationId, Step } from './step'

type Is = Step['state']['is']
const step = (station: StationId, is: Is, because: OutOfDate[] = []) =>
  ({ station, state: { is, because } }) as unknown as Step
const markStands = (...steps: Step[]) => stationStates(steps).mark

it('a rig and a blade are chosen when a job begins; a station without a step is not needed', () => {
  const { rig, blade, clamp, use } = stationStates([])
  expect([rig, blade, clamp, use].map(({ is }) => is)).toEqual(['done', 'done', 'not-needed', 'not-needed'])
  expect(stationStates([step('rig', 'missing')]).rig).toEqual({ is: 'not-begun' })
})

it('a station stands by its own steps alone', () => {
  expect(stationStates([step('mark', 'done'), step('grind', 'missing')])).toMatchObject({
    mark: { is: 'done' },
    grind: { is: 'not-begun' },
  })
})

it('it is under way once a step is begun, and done when each is done or left out', () => {
  expect(markStands(step('mark', 'missing'), step('mark', 'missing'))).toEqual({ is: 'not-begun' })
  expect(markStands(step('mark', 'under-way'), step('mark', 'missing'))).toEqual({ is: 'under-way', done: 0, of: 2 })
  const [done, leftOut] = [step('mark', 'done'), step('mark', 'left-out')]
  expect(markStands(done, leftOut, step('mark', 'missing'))).toEqual({ is: 'under-way', done: 2, of: 3 })
  expect(markStands(leftOut, step('mark', 'missing'))).toEqual({ is: 'under-way', done: 1, of: 2 })
  expect(markStands(done, step('mark', 'under-way'))).toEqual({ is: 'under-way', done: 1, of: 2 })
  expect(markStands(done, leftOut)).toEqual({ is: 'done' })
  expect(markStands(leftOut, leftOut)).toEqual({ is: 'left-out' })
})

it('what is out of date comes first, each of its reasons once', () => {
  const old = (...because: OutOfDate[]) => step('mark', 'out-of-date', because)
  expect(markStands(step('mark', 'done'), old('dial', 'hold'), old('dial'))).toEqual({
    is: 'out-of-date',
    because: ['dial', 'hold'],
  })
})
