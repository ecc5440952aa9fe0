import { expect, it } from 'vitest'
import type { LogEntry, StoneDone } from './entry'
import { jobsOfStone, minutesAtStone, stoneDoneOn } from './stoneDone'
import { setupSaying } from './setupSnapshot.fixture'

const said = (
  id: string,
  stoneId: string,
  side: StoneDone['side'],
  position: number | null = null,
  forMicroBevel = false,
): StoneDone => ({
  ...{ id, at: '2026-05-01T10:00:00.000Z', jobId: null, bladeId: null, stoneId, instrumentId: null },
  ...{
    kind: 'stone-done',
    side,
    removedMm3: null,
    strokes: 40,
    minutes: null,
    setup: setupSaying({ position, forMicroBevel }),
  },
})

it('a stone has done its work where that was last said of it: of this side, or of all; in this position', () => {
  const log = [said('all', 'one', null), said('A', 'one', 'A', 2), said('other', 'two', 'A'), said('B', 'one', 'B', 1)]
  const found = (side: 'A' | 'B', stoneId: string, position: number | null = null) =>
    stoneDoneOn(log, { side, stoneId, forMicroBevel: false, position })?.id
  expect([found('A', 'one'), found('B', 'one'), found('A', 'two'), found('B', 'two')]).toEqual([
    'A',
    'B',
    'other',
    undefined,
  ])
  expect([found('A', 'one', 2), found('A', 'one', 1), found('B', 'one', 1)]).toEqual(['A', undefined, 'B'])
  expect(stoneDoneOn(log.slice(0, 1), { side: 'B', stoneId: 'one', forMicroBevel: false, position: null })?.id).toBe(
    'all',
  )
  const old = [{ ...log[3]!, setup: null }]
  expect(stoneDoneOn(old, { side: 'B', stoneId: 'one', forMicroBevel: false, position: 1 })).toBeUndefined()
  expect(stoneDoneOn(old, { side: 'B', stoneId: 'one', forMicroBevel: false, position: null })?.id).toBe('B')
})

it('a stone that has done its work on the bevel has not done it on the micro-bevel, nor the other way round', () => {
  const about = { side: 'A', stoneId: 'one', position: null } as const
  const [bevel, micro] = [said('bevel', 'one', 'A'), said('micro', 'one', 'A', null, true)]
  expect(stoneDoneOn([bevel], { ...about, forMicroBevel: true })).toBeUndefined()
  expect(stoneDoneOn([micro], { ...about, forMicroBevel: false })).toBeUndefined()
  expect(stoneDoneOn([micro, bevel], { ...about, forMicroBevel: true })?.id).toBe('micro')
})

it('a side is timed from when it was dialled or the other one was done, unless the work lay for two hours', () => {
  const done = said('A', 'one', 'A')
  const at = (time: string) => `2026-05-01T${time}:00.000Z`
  expect(minutesAtStone([], at('09:50'), at('10:05'))).toBe(15)
  expect(minutesAtStone([done], at('09:50'), at('10:05'))).toBe(5)
  expect(minutesAtStone([done], at('10:03'), at('10:05'))).toBe(2)
  expect(minutesAtStone([], at('08:00'), at('10:00'))).toBe(120)
  expect(minutesAtStone([], at('08:00'), at('10:01'))).toBeNull()
  expect(minutesAtStone([], at('10:06'), at('10:05'))).toBeNull()
})

it('a stone was used on the jobs that have strokes or work done with it, the newest first', () => {
  const on = (jobId: string | null, minute: number, minutes: number | null) => ({
    ...said(`${jobId} ${minute}`, 'one', 'A'),
    ...{ jobId, minutes, at: `2026-05-01T10:0${minute}:00.000Z` },
  })
  const strokes = (jobId: string, minute: number, count: number): LogEntry => ({
    ...{ ...on(jobId, minute, null), id: `strokes ${minute}`, kind: 'strokes', side: 'A', count, zone: null },
    ...{ strop: false, setup: null },
  })
  const log = [strokes('a', 1, 30), on('a', 2, 4), strokes('b', 3, 10), strokes('a', 4, 5), on(null, 5, 9)]
  expect(jobsOfStone(log)).toEqual([
    { jobId: 'a', at: '2026-05-01T10:04:00.000Z', strokes: 35, minutes: 4 },
    { jobId: 'b', at: '2026-05-01T10:03:00.000Z', strokes: 10, minutes: 0 },
  ])
  expect(jobsOfStone([])).toEqual([])
})
