import { expect, it } from 'vitest'
import { SIDES } from '../../records/common/side'
import type { KnownHold } from '../../records/job/knownHold'
import { edgePointAt } from '../../math/curve/edgePoints'
import { uncertaintyBudget } from '../../uncertainty/budget'
import type { MeasureId } from '../../uncertainty/measures'
import { edgeAngleShifter } from '../../uncertainty/shifted'
import { sampleSetup } from '../../geometry/setup/sampleSetup.fixture'
import { readingMoves } from '../gauge/likelyCauses'
import { causesOnJob } from './causesOnJob'
import { proofCauses, type ProvedAgainstSet, type ProvedEarlier, type ReadAgainstSet } from './proofCauses'

const known: KnownHold = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
const edgePoint = edgePointAt(sampleSetup.blade.edge, 30)
/** Both sides of a bench on which one measure is off by so much, proved to a tenth of a degree. */
const provedWith = (id: MeasureId, off: number, toApex: boolean | null = true, at = [edgePoint]) =>
  SIDES.flatMap((side) =>
    at.map((there): ProvedAgainstSet => {
      const shifted = edgeAngleShifter(sampleSetup, side, 58, there)
      const budget = uncertaintyBudget(sampleSetup, known, side, 58, there)
      return { side, differsDeg: shifted({ [id]: off })! - shifted({})!, uncertaintyDeg: 0.1, budget, toApex }
    }),
  )
/** What a gauge reads on side A of the same bench. */
const readWith = (id: MeasureId, off: number, moreDeg = 0): ReadAgainstSet => {
  const at = { edgePoint, pivotHeightMm: 58 }
  const budget = uncertaintyBudget(sampleSetup, known, 'A', 58, edgePoint)
  const moves = readingMoves(sampleSetup, 'A', at, { zero: 'centre-plane', axes: 'one' })
  return { readDeg: 20 + off * moves(id) + moreDeg, mustDeg: 20, uncertaintyDeg: 0.15, budget, moves }
}
const causesOf = (proved: ProvedAgainstSet[], earlier?: ProvedEarlier[], read?: ReadAgainstSet[]) =>
  proofCauses({ proved, earlier, read })
const first = (of: ReturnType<typeof proofCauses>) => of.find((one) => one.by === 'measure')

it.each<[MeasureId, number]>([
  ['pivot-height', 0.6],
  ['tilt', 0.4],
])('%s off by %d is named with its size and sign', (id, off) => {
  const found = causesOf(provedWith(id, off)).find((one) => one.by === 'measure' && one.measure === id)
  expect(found).toBeDefined()
  if (found?.by !== 'measure') return
  expect(Math.abs(found.off / off - 1)).toBeLessThan(0.05)
})

it('what moves both sides one way is never put down to centring or tilt, and the other way round', () => {
  const alike = causesOf(provedWith('pivot-height', 0.6)).map((one) => one.by === 'measure' && one.measure)
  expect(alike).toContain('pivot-height')
  expect(alike).not.toContain('tilt')
  const opposite = causesOf(provedWith('tilt', 0.4)).map((one) => one.by === 'measure' && one.measure)
  expect(opposite[0]).toBe('tilt')
  expect(opposite).not.toContain('pivot-height')
})

it('an apex that nobody saw reached is asked for first', () => {
  expect(causesOf(provedWith('pivot-height', 0.6, null))[0]).toEqual({ by: 'not-to-apex', sides: ['A', 'B'] })
  expect(first(causesOf(provedWith('pivot-height', 0.6, false)))).toBeDefined()
})

it('gauge and steel have one list: the readings’ own until something is proved, then that of all of it, a zero first', () => {
  const zero = { by: 'zero', zero: 'clamp', leavesDeg: 0.05 } as const
  const centring = {
    by: 'measure',
    measure: 'centre-offset',
    unit: 'mm',
    off: 0.4,
    times: 0.5,
    leavesDeg: 0.1,
  } as const
  const proved = provedWith('pivot-height', 0.6)
  expect(causesOnJob([zero, centring], { proved: [], read: [] })).toEqual([zero, centring])
  expect(causesOnJob([zero, centring], { proved })).toEqual([zero, ...proofCauses({ proved })])
})

it('nothing is explained where nothing differs', () => {
  expect(causesOf(provedWith('pivot-height', 0.01))).toEqual([])
})

it('what was proved on the rig before tells the stone from the pivot: all was right with another one', () => {
  // On one hold alone a stone's face offset and the pivot's height explain the same.
  const now = provedWith('face-offset', 0.3)
  const measures = (of: ReturnType<typeof proofCauses>) =>
    of.flatMap((one) => (one.by === 'measure' ? one.measure : []))
  const before = (deg: number, sameStone: boolean): ProvedEarlier[] =>
    provedWith('pivot-height', 0).map(({ budget }) => ({
      differsDeg: deg,
      uncertaintyDeg: 0.05,
      budget,
      sameStone,
    }))
  const jump = now[0]!.differsDeg
  const asSet = [0.02, -0.03, 0.01].flatMap((deg) => before(deg, false))
  expect(measures(causesOf(now))[0]).toBe('pivot-height')
  expect(measures(causesOf(now, [...asSet, ...before(jump, true)]))[0]).toBe('face-offset')
  // Off by as much with every stone, it is the pivot.
  const off = provedWith('pivot-height', 0.6)[0]!.differsDeg
  expect(measures(causesOf(provedWith('pivot-height', 0.6), [...before(off, false), ...before(off, true)]))[0]).toBe(
    'pivot-height',
  )
})

it('heel and tip tell a blade that lies further along from one that stands out further', () => {
  const at = [5, 40, 75].map((mm) => edgePointAt(sampleSetup.blade.edge, mm))
  const named = (id: MeasureId, off: number) =>
    causesOf(provedWith(id, off, true, at)).flatMap((one) => (one.by === 'measure' ? one.measure : []))
  expect(named('blade-along', 4)[0]).toBe('blade-along')
  expect(named('blade-along', 4)).not.toContain('blade-height')
})

it('a gauge that read low where the steel is as it was set stood off square; what moves the steel as well is a measure', () => {
  const asSet = provedWith('pivot-height', 0)
  const [alone] = causesOf(asSet, [], [readWith('pivot-height', 0, -0.8)])
  // sin 19.2° = sin 20° · cos 16°
  expect(alone).toMatchObject({ by: 'off-square' })
  expect(alone?.by === 'off-square' && alone.off).toBeCloseTo(15.9, 1)
  expect(causesOf(asSet, [], [readWith('pivot-height', 0, +0.8)]).map(({ by }) => by)).not.toContain('off-square')
  // With nothing proved yet, what was read is asked about alone.
  expect(first(causesOf([], [], [readWith('pivot-height', -0.9)]))).toBeDefined()
  const both = causesOf(provedWith('pivot-height', -0.9), [], [readWith('pivot-height', -0.9)])
  expect(first(both)).toMatchObject({ by: 'measure', measure: 'pivot-height' })
  expect(both.map(({ by }) => by)).not.toContain('off-square')
})
