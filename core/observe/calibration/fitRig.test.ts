import { expect, it } from 'vitest'
import { edgePointAt } from '../../math/curve/edgePoints'
import { Z95 } from '../../math/statistics/normal'
import { edgeAngleShifter } from '../../uncertainty/shifted'
import { sampleSetup } from '../../geometry/setup/sampleSetup.fixture'
import { finished } from '../../math/finished.fixture'
import { calibratingRig, fitRig, tiedPairs, type ProvedAngle } from './fitRig'

const edgePoint = edgePointAt(sampleSetup.blade.edge, 30)
const setDeg = edgeAngleShifter(sampleSetup, 'A', 58, edgePoint)({})!
/** Proved so much steeper than set, with one of two stones; known to a standard deviation of a tenth of a degree. */
const proved = (steeperDeg: number, stoneId = 'one'): ProvedAngle => ({
  setup: sampleSetup,
  side: 'A',
  pivotHeightMm: 58,
  edgePoint,
  stoneId,
  deg: setDeg + steeperDeg,
  uncertaintyDeg: 0.1 * Z95,
})

it('counts a proof in full while it is more likely right than wrong, and then the less the further it is off', () => {
  // The measure is known so well that it explains nothing.
  const pinned = [{ id: 'pivot-height' as const, stoneId: null, tolerance: 1e-6 }]
  const last = (sigmas: number) =>
    fitRig(
      [0, 0, 0, sigmas / 10].map((deg) => proved(deg)),
      pinned,
    ).proofs[3]!
  expect([2, -2, 3].map((sigmas) => last(sigmas).weight)).toEqual([1, 1, 1])
  const rights = [0, 1, 2, 3, 3.5, 4, 6].map((sigmas) => last(sigmas).right)
  expect(rights).toEqual(rights.toSorted((one, other) => other - one))
  // Of 100 proofs 5 are wrong, by 2° each way: at 4 standard deviations of 0.1° the odds are as Bayes has them.
  const density = (off: number, sigma: number) => Math.exp(-((off / sigma) ** 2) / 2) / sigma
  const [fine, wrong] = [0.95 * density(0.4, 0.1), 0.05 * density(0.4, Math.hypot(0.1, 2))]
  expect(last(4).right).toBeCloseTo(fine / (fine + wrong), 3)
  expect(last(6).weight).toBeLessThan(0.001)
})

it('a lone proof beyond what the tolerances let expect is to be repeated, and nothing is applied', () => {
  const height = [{ id: 'pivot-height' as const, stoneId: null, tolerance: 0.8 }]
  const lone = (steeperDeg: number) => finished(calibratingRig({ proofs: [proved(steeperDeg)], unknowns: height }))
  expect(lone(0.1).repeat).toEqual([])
  expect(lone(0.1).unknowns[0]!.error).toBeGreaterThan(0.1)
  const far = lone(1.6)
  expect(far.repeat).toEqual([0])
  expect(far.unknowns[0]).toMatchObject({ error: expect.closeTo(0, 6), uncertainty: expect.closeTo(0.8, 6) })
})

it('says how far one wrong proof would carry a measure', () => {
  const height = [{ id: 'pivot-height' as const, stoneId: null, tolerance: 0.8 }]
  const errorAt = (steeperDeg: number) => fitRig([proved(steeperDeg)], height).unknowns[0]!.error
  expect(fitRig([proved(0)], height).unknowns[0]!.perWrongDeg).toBeCloseTo((errorAt(0.05) - errorAt(-0.05)) / 0.1, 2)
})

it('puts a stone’s face down to that stone alone', () => {
  const faces = ['one', 'other'].map((stoneId) => ({ id: 'face-offset' as const, stoneId, tolerance: 0.5 }))
  const fit = fitRig([proved(0.2, 'one'), proved(0, 'other'), proved(0.2, 'one')], faces)
  expect(Math.abs(fit.unknowns[0]!.error)).toBeGreaterThan(0.3)
  expect(fit.unknowns[1]!.error).toBeCloseTo(0, 6)
  expect(fit.correlation[0]![1]).toBeCloseTo(0, 6)
})

it('names the pairs that the proofs cannot tell apart, the closest first', () => {
  const correlation = [
    [1, -0.96, 0.2],
    [-0.96, 1, 0.99],
    [0.2, 0.99, 1],
  ]
  expect(tiedPairs({ correlation })).toEqual([
    { one: 2, other: 1, correlation: 0.99 },
    { one: 1, other: 0, correlation: -0.96 },
  ])
})
