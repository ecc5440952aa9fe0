import { expect, it } from 'vitest'
import { isForMicroBevel, stoneUses, wantedWith } from './stoneUses'

const kindOf = (id: string) => (id.startsWith('strop') ? 'strop' : 'water')
const MICRO = { addDeg: 3, stoneId: null }
const uses = (progression: string[], microBevel: { addDeg: number; stoneId: string | null } | null) =>
  stoneUses({ progression, stoneId: 'on the rod', microBevel }, kindOf).map(
    ({ stoneId, forMicroBevel }) => `${stoneId}${forMicroBevel ? ', micro-bevel' : ''}`,
  )

it('the micro-bevel is ground after the last stone that grinds, before the strops', () => {
  expect(uses(['coarse', 'fine', 'strop'], null)).toEqual(['coarse', 'fine', 'strop'])
  expect(uses(['coarse', 'fine', 'strop', 'strop 2'], MICRO)).toEqual([
    'coarse',
    'fine',
    'fine, micro-bevel',
    'strop',
    'strop 2',
  ])
  expect(uses([], MICRO)).toEqual(['on the rod', 'on the rod, micro-bevel'])
  expect(uses(['strop'], MICRO)).toEqual(['strop'])
  expect(uses(['strop'], { addDeg: 3, stoneId: 'own' })).toEqual(['own, micro-bevel', 'strop'])
})
it('without a micro-bevel no stone is on for it', () => {
  expect(isForMicroBevel({ microBevel: null, onMicroBevel: true })).toBe(false)
  expect(isForMicroBevel({ microBevel: MICRO, onMicroBevel: false })).toBe(false)
  expect(isForMicroBevel({ microBevel: MICRO, onMicroBevel: true })).toBe(true)
})
it('a strop lies at the apex’s angle or beside it, and never flat', () => {
  const job = { wanted: { deg: { A: 15, B: 16 }, linked: false, why: '' }, microBevel: MICRO, stropAddDeg: -1 }
  expect(wantedWith(job, 'B', { kind: 'strop' }, false)).toBe(18)
  expect(wantedWith(job, 'A', { kind: 'water' }, false)).toBe(15)
  expect(wantedWith(job, 'A', { kind: 'water' }, true)).toBe(18)
  const flat = { ...job, wanted: { ...job.wanted, deg: { A: 2, B: 2 } }, microBevel: null, stropAddDeg: -5 }
  expect(wantedWith(flat, 'A', { kind: 'strop' }, false)).toBe(1)
})
