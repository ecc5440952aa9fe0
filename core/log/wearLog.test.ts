import { expect, it } from 'vitest'
import { plainStone } from '../geometry/setup/sampleSetup.fixture'
import { stoneCondition } from '../records/stone/condition'
import type { LogEntry } from './entry'
import { wearEntry, wearHistory } from './wearLog'

const done = (day: number, jobId: string, stoneId: string): LogEntry => ({
  ...{ id: `${day}${jobId}${stoneId}`, at: `2026-05-0${day}T10:00:00.000Z`, jobId, bladeId: null, stoneId },
  ...{ instrumentId: null, kind: 'stone-done', side: 'A', removedMm3: null, strokes: 40, minutes: null, setup: null },
})
const measured = (day: number, faceOffsetMm: number): LogEntry =>
  wearEntry('one', { on: `2026-05-0${day}`, did: 'measured', faceOffsetMm, blades: 0, note: '' }, `m${day}`)

it('blades that a stone did at the bench count for what it loses, once for each job, up to the day it was measured', () => {
  const log = [measured(1, 6), done(2, 'a', 'one'), done(2, 'a', 'one'), done(3, 'b', 'two'), done(4, 'c', 'one')]
  const history = wearHistory([...log, done(6, 'd', 'one'), measured(4, 5.9)], 'one')
  expect(history.map(({ on, did }) => `${on.slice(-1)} ${did}`)).toEqual([
    '1 measured',
    '2 used',
    '4 used',
    '4 measured',
    '6 used',
  ])
  // 0.1 mm for two blades.
  expect(stoneCondition(plainStone, history).wearPerBladeMm).toBeCloseTo(0.05, 9)
})
