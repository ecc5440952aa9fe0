import Papa from 'papaparse'
import { expect, it } from 'vitest'
import { ANGLE_ALONE, OUTCOME_ALONE, type LogEntry } from '../../log/entry'
import { writeRecordCsv } from './recordCsv'

const about = (n: number) => ({
  ...{ id: `${n}`, at: `2026-05-0${n}T10:00:00.000Z`, jobId: 'job', bladeId: 'b', stoneId: null, instrumentId: null },
})
const log: LogEntry[] = [
  { ...about(1), kind: 'strokes', side: 'A', count: 40, zone: null, strop: false, stoneId: 'stone', setup: null },
  {
    ...about(2),
    ...{ kind: 'proof', side: 'B', placeMm: 30.5, zone: 'tip', deg: 20.25, uncertaintyDeg: 0.3, by: 'goniometer' },
    ...ANGLE_ALONE,
  },
  {
    ...about(3),
    ...{ kind: 'outcome', ...OUTCOME_ALONE, outcome: 'rolled', zones: ['tip', 'belly'], by: 'the "cook", Ana' },
    amount: { count: 40, unit: 'meals' },
    note: '=HYPERLINK("x")',
  },
  { ...about(4), kind: 'put-to-use' },
]
it('a blade’s record is a table with a row for each entry, as another package reads it', () => {
  const text = writeRecordCsv(log, (id) => ({ job: 'Knife; café', stone: '=No. 4' })[id] ?? '')
  const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true })
  expect(errors).toEqual([])
  expect(data.map(({ kind, side, value, unit, uncertainty }) => [kind, side, value, unit, uncertainty])).toEqual([
    ['strokes', 'A', '40', 'strokes', ''],
    ['proof', 'B', '20.25', 'deg', '0.3'],
    ['outcome', '', '', '', ''],
    ['put-to-use', '', '', '', ''],
  ])
  expect(data[1]).toMatchObject({ at: '2026-05-02T10:00:00.000Z', placeMm: '30.5', zone: 'tip', said: 'goniometer' })
  expect(data[2]).toMatchObject({ zone: 'tip belly', said: 'rolled; 40 meals; the "cook", Ana; =HYPERLINK("x")' })
  // What a spreadsheet would run gets a quote before it.
  expect(data[0]).toMatchObject({ job: 'Knife; café', stone: "'=No. 4" })
})
