import { expect, it } from 'vitest'
import { keptSnapshots } from './snapshots'

it('the last ten, one a day for a month, and one a month are kept, each the last of its time', () => {
  // One each hour for 100 days, the newest at noon.
  const newest = Date.parse('2026-11-26T12:00:00Z')
  const taken = Array.from({ length: 2400 }, (_, i) => new Date(newest - i * 3600_000))
  const kept = [...keptSnapshots(taken)].map((at) => at.toISOString().slice(0, 13)).sort()
  expect(kept.slice(-10)).toEqual(Array.from({ length: 10 }, (_, i) => `2026-11-26T${String(i + 3).padStart(2, '0')}`))
  const days = kept.slice(0, -10).filter((at) => at > '2026-10-27')
  expect(days).toEqual(
    [...Array(30).keys()].map((i) => `${new Date(newest - (30 - i) * 86_400_000).toISOString().slice(0, 10)}T23`),
  )
  expect(kept.filter((at) => at < '2026-10-27')).toEqual(['2026-08-31T23', '2026-09-30T23'])
})

it('a single one stays, however old', () => {
  const one = new Date('2020-01-01T00:00:00Z')
  expect(keptSnapshots([one])).toEqual(new Set([one]))
})
