import { expect, it } from 'vitest'
import type { LogEntry } from './entry'
import { pastWidths } from './pastWidths'

const about = (day: number, job: string) => ({
  ...{ id: `${day}`, at: `2026-05-0${day}T10:00:00.000Z`, jobId: job, bladeId: 'b', stoneId: 's', instrumentId: null },
  setup: null,
})
const strokes = (day: number, job: string, side: 'A' | 'B', strop = false): LogEntry => ({
  ...about(day, job),
  ...{ kind: 'strokes', side, count: 20, zone: null, strop },
})
const width = (day: number, job: string, side: 'A' | 'B', widthMm: number): LogEntry => ({
  ...about(day, job),
  ...{ kind: 'bevel-width', side, placeMm: 40, zone: null, widthMm, uncertaintyMm: 0.05, by: 'loupe' },
})

it('a width that was measured has had so many sharpenings since: jobs that took steel off its side, not strops', () => {
  const log = [
    width(1, 'first', 'A', 0.5),
    strokes(2, 'first', 'A'),
    strokes(3, 'first', 'A'),
    width(4, 'first', 'A', 0.6),
    strokes(5, 'second', 'B'),
    width(5, 'second', 'B', 0.9),
    strokes(6, 'second', 'A'),
    strokes(7, 'third', 'A', true),
  ]
  const found = (side: 'A' | 'B') => pastWidths(log, side).map((one) => [one.widthMm, one.sharpeningsSince])
  expect(found('A')).toEqual([
    [0.5, 2],
    [0.6, 1],
  ])
  expect(found('B')).toEqual([[0.9, 0]])
})
