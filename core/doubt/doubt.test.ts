import { describe, expect, it } from 'vitest'
import { stationAt } from '../curve/stations'
import type { Setup } from '../setup/setup'
import { armsRig, sampleSetup, tableRig } from '../setup/sampleSetup.fixture'
import { doubtBudget, includedDoubtDeg, totalDoubtDeg } from './budget'
import type { KnownHold } from '../clamping/knownHold'
import { monteCarlo, type MonteCarloAsk, type MonteCarloResult } from './monteCarlo'

const known: KnownHold = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
const exactly: KnownHold = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 0, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 },
}
const belly = stationAt(sampleSetup.blade.edge, 70)

function run(ask: Partial<MonteCarloAsk> = {}): MonteCarloResult {
  const sampling = monteCarlo({
    setup: sampleSetup,
    known,
    station: belly,
    pivotHeightMm: { A: 58, B: 58 },
    samples: 40_000,
    seed: 0.3,
    ...ask,
  })
  for (;;) {
    const step = sampling.next()
    if (step.done) return step.value
  }
}

describe('how sure the set angle is', () => {
  it.each<[string, Setup]>([
    ['a turning clamp', sampleSetup],
    ['an upright with two arms', { ...sampleSetup, rig: armsRig }],
    ['a table', { ...sampleSetup, rig: tableRig }],
  ])('the samples agree with the first-order budget on %s', (_, setup) => {
    const sampled = run({ setup })
    const [a, b] = (['A', 'B'] as const).map((side) => doubtBudget(setup, known, side, 58, belly))
    expect(sampled.sides.A!.halfWidthDeg / totalDoubtDeg(a!)).toBeCloseTo(1, 1)
    expect(sampled.sides.B!.halfWidthDeg / totalDoubtDeg(b!)).toBeCloseTo(1, 1)
    expect(sampled.included!.halfWidthDeg / includedDoubtDeg(a!, b!)).toBeCloseTo(1, 1)
  })

  it('the same seed gives the same samples, another seed others', () => {
    expect(run({ samples: 3000 })).toEqual(run({ samples: 3000 }))
    expect(run({ samples: 3000, seed: 0.4 }).sides.A!.meanDeg).not.toBe(run({ samples: 3000 }).sides.A!.meanDeg)
  })

  it('where the pivot barely clears the face the samples tell what first order cannot: some have no angle', () => {
    const sampled = run({ pivotHeightMm: { A: 6.2, B: 6.2 } })
    expect(sampled.refused).toBeGreaterThan(1000)
    expect(sampled.sides.A!.lowDeg).toBeGreaterThan(0)
  })

  it('counts every sample in one bin', () => {
    const { histogram } = run({ samples: 5000 }).sides.A!
    expect(histogram.counts.reduce((sum, count) => sum + count, 0)).toBe(5000)
    expect(histogram.counts.length).toBeLessThanOrEqual(40)
  })

  it('says how far it is, so that it can be shown and stopped', () => {
    const sampling = monteCarlo({
      setup: sampleSetup,
      known,
      station: belly,
      pivotHeightMm: { A: 58, B: 58 },
      samples: 12_000,
      seed: 1 / 3,
    })
    expect([sampling.next().value, sampling.next().value]).toEqual([4000, 8000])
  })

  it('a centring error cancels in the included angle; a doubtful height of one post counts twice, of two arms once each', () => {
    const offCentre = { ...exactly, holdTolerance: { ...exactly.holdTolerance, centreOffsetMm: 0.5 } }
    const included = (setup: Setup, hold: KnownHold) =>
      includedDoubtDeg(doubtBudget(setup, hold, 'A', 58, belly), doubtBudget(setup, hold, 'B', 58, belly))
    expect(included(sampleSetup, offCentre) - included(sampleSetup, exactly)).toBeLessThan(0.01)
    expect(included({ ...sampleSetup, rig: armsRig }, exactly)).toBeLessThan(included(sampleSetup, exactly))
  })

  it('a tapered or dished stone is a doubt of its own', () => {
    const shape = (stone: Partial<Setup['stone']>) =>
      doubtBudget(
        { ...sampleSetup, stone: { ...sampleSetup.stone, ...stone } },
        exactly,
        'A',
        58,
        stationAt(sampleSetup.blade.edge, 40),
      ).find((share) => share.id === 'face-shape')?.shareDeg ?? 0
    expect(shape({})).toBe(0)
    expect(shape({ faceOffsetEnds: { nearMm: 6.2, farMm: 5.8 } })).toBeCloseTo((0.4 / 150) * (180 / Math.PI), 3)
    expect(shape({ dishMm: 0.1 })).toBeCloseTo((0.4 / 150) * (180 / Math.PI), 3)
  })
})
