import { expect, it } from 'vitest'
import { SIDES } from '../clamping/centring'
import type { KnownHold } from '../clamping/knownHold'
import { stationAt } from '../curve/stations'
import { doubtBudget } from '../doubt/budget'
import type { MeasureId } from '../doubt/measures'
import { edgeAngleShifter } from '../doubt/shifted'
import { sampleSetup } from '../setup/sampleSetup.fixture'
import { proofCauses, type ProvedAgainstSet, type ProvedEarlier } from './proofCauses'

const known: KnownHold = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
const station = stationAt(sampleSetup.blade.edge, 30)
/** Both sides of a bench on which one measure is off by so much, proved to a tenth of a degree. */
const provedWith = (id: MeasureId, off: number, toApex: boolean | null = true) =>
  Object.fromEntries(
    SIDES.map((side): [string, ProvedAgainstSet] => {
      const shifted = edgeAngleShifter(sampleSetup, side, 58, station)
      const budget = doubtBudget(sampleSetup, known, side, 58, station)
      return [side, { differsDeg: shifted({ [id]: off })! - shifted({})!, doubtDeg: 0.1, budget, toApex }]
    }),
  )
const first = (of: ReturnType<typeof proofCauses>) => of.find((one) => one.by === 'measure')

it.each<[MeasureId, number]>([
  ['pivot-height', 0.6],
  ['tilt', 0.4],
])('%s off by %d is named with its size and sign', (id, off) => {
  const found = proofCauses(provedWith(id, off)).find((one) => one.by === 'measure' && one.measure === id)
  expect(found).toBeDefined()
  if (found?.by !== 'measure') return
  expect(Math.abs(found.off / off - 1)).toBeLessThan(0.05)
})

it('what moves both sides one way is never put down to centring or tilt, and the other way round', () => {
  const alike = proofCauses(provedWith('pivot-height', 0.6)).map((one) => one.by === 'measure' && one.measure)
  expect(alike).toContain('pivot-height')
  expect(alike).not.toContain('tilt')
  const opposite = proofCauses(provedWith('tilt', 0.4)).map((one) => one.by === 'measure' && one.measure)
  expect(opposite[0]).toBe('tilt')
  expect(opposite).not.toContain('pivot-height')
})

it('an apex that nobody saw reached is asked for first', () => {
  expect(proofCauses(provedWith('pivot-height', 0.6, null))[0]).toEqual({ by: 'not-to-apex', sides: ['A', 'B'] })
  expect(first(proofCauses(provedWith('pivot-height', 0.6, false)))).toBeDefined()
})

it('nothing is explained where nothing differs', () => {
  expect(proofCauses(provedWith('pivot-height', 0.01))).toEqual([])
})

it('what was proved on the rig before tells the stone from the pivot: all was right with another one', () => {
  // On one hold alone a stone's face offset and the pivot's height explain the same.
  const now = provedWith('face-offset', 0.3)
  const measures = (of: ReturnType<typeof proofCauses>) =>
    of.flatMap((one) => (one.by === 'measure' ? one.measure : []))
  const before = (deg: number, sameStone: boolean): ProvedEarlier[] =>
    Object.values(provedWith('pivot-height', 0)).map(({ budget }) => ({
      differsDeg: deg,
      doubtDeg: 0.05,
      budget,
      sameStone,
    }))
  const jump = Object.values(now)[0]!.differsDeg
  const asSet = [0.02, -0.03, 0.01].flatMap((deg) => before(deg, false))
  expect(measures(proofCauses(now))[0]).toBe('pivot-height')
  expect(measures(proofCauses(now, [...asSet, ...before(jump, true)]))[0]).toBe('face-offset')
  // Off by as much with every stone, it is the pivot.
  const off = Object.values(provedWith('pivot-height', 0.6))[0]!.differsDeg
  expect(measures(proofCauses(provedWith('pivot-height', 0.6), [...before(off, false), ...before(off, true)]))[0]).toBe(
    'pivot-height',
  )
})
