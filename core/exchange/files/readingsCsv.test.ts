import { expect, it } from 'vitest'
import { ANGLE_ALONE, type LogEntry } from '../../log/entry'
import { readingsCsv } from './readingsCsv'

const about = {
  id: '01980000-0000-7000-8000-000000000001',
  at: '2026-03-01T10:00:00.000Z',
  jobId: null,
  bladeId: null,
  stoneId: 's',
  instrumentId: 'i',
  uncertaintyDeg: 0.2,
} as const
const log: LogEntry[] = [
  { ...about, kind: 'reading', side: 'A', placeMm: 32.5, deg: 20.1, zero: 'clamp', expectedDeg: 20.2034 },
  { ...about, kind: 'retraction', entryId: about.id },
  {
    ...about,
    kind: 'proof',
    side: 'B',
    placeMm: null,
    deg: 19,
    zone: 'belly',
    by: 'goniometer',
    ...ANGLE_ALONE,
    toApex: true,
  },
  {
    ...about,
    kind: 'bevel-width',
    side: 'A',
    placeMm: 12,
    zone: null,
    widthMm: 0.82,
    uncertaintyMm: 0.05,
    by: 'loupe',
  },
] as LogEntry[]

it('what was read and proved is a table; a name cannot be a formula', () => {
  const names = { i: '=cmd()', s: 'Stone, "fine"' }
  const [heading, read, proved, width, end] = readingsCsv(log, (id) => names[id as 'i']).split('\r\n')
  expect(heading).toContain('at,what,side,fromHeelMm')
  expect(read).toBe(`2026-03-01T10:00:00.000Z,read,A,32.5,,20.1,0.2,20.2,,clamp,"'=cmd()","Stone, ""fine""",,,,,,,`)
  expect(proved).toBe(
    `2026-03-01T10:00:00.000Z,proved,B,,belly,19,0.2,,,goniometer,"'=cmd()","Stone, ""fine""",,,,,yes,,`,
  )
  expect(width).toBe(`2026-03-01T10:00:00.000Z,bevel width,A,12,,,,,,loupe,"'=cmd()","Stone, ""fine""",,,,,,0.82,0.05`)
  expect(end).toBe('')
})
