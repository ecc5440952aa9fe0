import { expect, it } from 'vitest'
import { edgePointAt } from '../../math/curve/edgePoints'
import { Z95 } from '../../math/statistics/normal'
import { edgeAngleShifter } from '../../uncertainty/shifted'
import { sampleSetup } from '../../geometry/setup/sampleSetup.fixture'
import { fitRig, tiedPairs, type ProvedAngle } from './fitRig'

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

it('weighs a proof in full up to 2.5 standard deviations, less up to 8, and beyond that not at all', () => {
  // The measure is known so well that it explains nothing.
  const pinned = [{ id: 'pivot-height' as const, stoneId: null, tolerance: 1e-6 }]
  const weightAt = (sigmas: number) =>
    fitRig(
      [0, 0, 0, sigmas / 10].map((deg) => proved(deg)),
      pinned,
    ).proofs[3]!.weight
  for (const [sigmas, weight] of [
    [2.4, 1],
    [-2.4, 1],
    [3.2, 2.5 / 3.2],
    [6, (2.5 / 6) * (2 / 4)],
    [9, 0],
  ] as const)
    expect(weightAt(sigmas), String(sigmas)).toBeCloseTo(weight, 3)
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
