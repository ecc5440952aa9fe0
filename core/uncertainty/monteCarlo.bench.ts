import { bench, describe } from 'vitest'
import { edgePointAt } from '../math/curve/edgePoints'
import { sampleSetup } from '../geometry/setup/sampleSetup.fixture'
import { monteCarlo } from './monteCarlo'

const ask = {
  setup: sampleSetup,
  known: {
    bladeHeightToleranceMm: 0.5,
    holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
  },
  edgePoint: edgePointAt(sampleSetup.blade.edge, 70),
  pivotHeightMm: { A: 58, B: 58 },
  seed: 0.3,
}

describe('how sure is it', () => {
  bench('100,000 samples, both sides', () => {
    const sampling = monteCarlo({ ...ask, samples: 100_000 })
    while (!sampling.next().done);
  })
})
