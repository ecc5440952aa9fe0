import { describe, expect, it } from 'vitest'
import { sampleSetup } from '../../geometry/setup/sampleSetup.fixture'
import { edgePointAt } from '../../math/curve/edgePoints'
import { READ_TO_DEG } from '../gauge/likelyCauses'
import { foundOnJob } from './foundOnJob'
import { singleCauses, type Difference, type Suspect } from './singleCauses'

const close = (value: number) => expect.closeTo(value, 9) as number
const differ = (...all: [differs: number, uncertainty: number, beside?: boolean][]): Difference[] =>
  all.map(([differs, uncertainty, beside = false]) => ({ differs, uncertainty, beside }))
const moves = (what: string, slopes: readonly number[], tolerance = 1): Suspect<string> => ({
  what,
  tolerance,
  perUnit: (i) => slopes[i]!,
})

describe('a single cause of differences', () => {
  it('is off by the weighted mean that least squares has, so many tolerances, and leaves the rest', () => {
    // Weights 4 to 1: (4 · 1 + 1.3) / 5.
    expect(singleCauses(differ([1, 0.1], [1.3, 0.2]), [moves('a', [1, 1], 2)])).toEqual([
      { what: 'a', off: close(1.06), times: close(0.53), leaves: close(0.24) },
    ])
    expect(singleCauses(differ([-1, 0.1], [2, 0.1]), [moves('a', [-0.5, 1])])).toEqual([
      { what: 'a', off: close(2), times: close(2), leaves: close(0) },
    ])
  })

  it('is none where it leaves more than one and a half uncertainties of any, but for what is only beside', () => {
    const one = (left: number, beside: boolean) =>
      singleCauses(differ([1 - left, 0.1], [1 + left, 0.1, beside]), [moves('a', [1, 1])])
    expect([one(0.149, false).length, one(0.151, false).length]).toEqual([1, 0])
    expect(singleCauses(differ([1, 0.1], [4, 1, true]), [moves('a', [1, 1])])).toEqual([
      { what: 'a', off: close(1 + 3 / 101), times: close(1 + 3 / 101), leaves: close(3 / 101) },
    ])
  })

  it('is none where it would be off by more than five tolerances, or moves nothing', () => {
    const times = (differs: number) => singleCauses(differ([differs, 0.1]), [moves('a', [1])]).length
    expect([times(5), times(5.01), times(-5.01)]).toEqual([1, 0, 0])
    expect(singleCauses(differ([1, 0.1]), [moves('a', [0])])).toEqual([])
  })

  it('follows a curved dependence, and takes what is given as it is', () => {
    const curved: Suspect<string> = { what: 'a', tolerance: 1, perUnit: (_, off) => 1 + off / 10 }
    const [found] = singleCauses(differ([1.1, 0.1]), [curved])
    expect(found!.off).toBeCloseTo(1, 2)
    expect(found!.leaves).toBeLessThan(0.002)
    expect(singleCauses(differ([1, 0.1]), [{ ...moves('a', [0.5]), off: 1.9 }])).toEqual([
      { what: 'a', off: 1.9, times: 1.9, leaves: close(0.05) },
    ])
  })

  it('comes first where it is off by fewer tolerances, or fits the figures better', () => {
    const order = (found: Difference[], ...suspects: Suspect<string>[]) =>
      singleCauses(found, suspects).map(({ what }) => what)
    expect(order(differ([1, 0.1]), moves('wide', [1], 1), moves('narrow', [1], 3))).toEqual(['narrow', 'wide'])
    expect(order(differ([1, 0.1], [1.2, 0.1]), moves('even', [1, 1]), moves('as found', [1, 1.2]))).toEqual([
      'as found',
      'even',
    ])
    // One tolerance more weighs as much as what is left of nearly an uncertainty.
    expect(order(differ([1, 0.1], [1.2, 0.1]), moves('even', [1, 1], 10), moves('as found', [1, 1.2], 0.3))).toEqual([
      'even',
      'as found',
    ])
  })
})

describe('what was found on a job', () => {
  const known = {
    bladeHeightToleranceMm: 0.5,
    holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
  }
  const set = {
    setup: sampleSetup,
    side: 'A' as const,
    pivotHeightMm: 58,
    edgePoint: edgePointAt(sampleSetup.blade.edge, 30),
    contact: { edgeAngleDeg: 20 } as never,
  }
  const amount = (deg: number, uncertaintyDeg: number) => ({ deg, uncertaintyDeg, spreadDeg: null, of: [] })
  const proved = {
    side: 'A' as const,
    amount: amount(20.5, 0.1),
    placeMm: 30,
    set,
    differsDeg: 0.5,
    asSetNow: true,
    found: false,
    toApex: true,
  }
  const read = { side: 'A' as const, amount: amount(19, 0.01), placeMm: 30, set, mustDeg: 20, differsDeg: -1 }
  const use = { zero: 'centre-plane', axes: 'one' } as const

  it('is what can be held against what is set; a gauge is read no better than a hand reads one', () => {
    const found = foundOnJob({ proved: [proved], read: [read] }, known, use)
    expect(found.proved).toMatchObject([{ side: 'A', differsDeg: 0.5, uncertaintyDeg: 0.1, toApex: true }])
    expect(found.read).toMatchObject([{ readDeg: 19, mustDeg: 20, uncertaintyDeg: READ_TO_DEG }])
    expect(found.read[0]!.budget.map(({ id }) => id)).toEqual(found.proved[0]!.budget.map(({ id }) => id))
    expect(
      foundOnJob({ proved: [], read: [{ ...read, amount: amount(19, 1) }] }, known, use).read[0]!.uncertaintyDeg,
    ).toBe(1)
    const gone = foundOnJob(
      {
        proved: [
          { ...proved, set: null },
          { ...proved, differsDeg: null },
          { ...proved, found: true },
        ],
        read: [
          { ...read, set: null },
          { ...read, mustDeg: null },
        ],
      },
      known,
      use,
    )
    expect(gone).toEqual({ proved: [], read: [] })
  })
})
