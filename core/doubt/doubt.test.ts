import { describe, expect, it } from 'vitest'
import { stationAt } from '../curve/stations'
import type { Job } from '../setup/job'
import { armsRig, sampleJob, tableRig } from '../setup/sampleJob.fixture'
import { doubtBudget, includedDoubtDeg, totalDoubtDeg } from './budget'
import type { KnownHold } from './measures'
import { monteCarlo, type MonteCarloAsk, type MonteCarloResult } from './monteCarlo'

const known: KnownHold = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
const exactly: KnownHold = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 0, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 },
}
const belly = stationAt(sampleJob.blade.edge, 70)

function run(ask: Partial<MonteCarloAsk> = {}): MonteCarloResult {
  const sampling = monteCarlo({
    job: sampleJob,
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
  it.each<[string, Job]>([
    ['a turning clamp', sampleJob],
    ['an upright with two arms', { ...sampleJob, rig: armsRig }],
    ['a table', { ...sampleJob, rig: tableRig }],
  ])('the samples agree with the first-order budget on %s', (_, job) => {
    const sampled = run({ job })
    const [a, b] = (['A', 'B'] as const).map((side) => doubtBudget(job, known, side, 58, belly))
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
      job: sampleJob,
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
    const included = (job: Job, hold: KnownHold) =>
      includedDoubtDeg(doubtBudget(job, hold, 'A', 58, belly), doubtBudget(job, hold, 'B', 58, belly))
    expect(included(sampleJob, offCentre) - included(sampleJob, exactly)).toBeLessThan(0.01)
    expect(included({ ...sampleJob, rig: armsRig }, exactly)).toBeLessThan(included(sampleJob, exactly))
  })

  it('a tapered or dished stone is a doubt of its own', () => {
    const shape = (stone: Partial<Job['stone']>) =>
      doubtBudget(
        { ...sampleJob, stone: { ...sampleJob.stone, ...stone } },
        exactly,
        'A',
        58,
        stationAt(sampleJob.blade.edge, 40),
      ).find((share) => share.id === 'face-shape')?.shareDeg ?? 0
    expect(shape({})).toBe(0)
    expect(shape({ faceOffsetEnds: { nearMm: 6.2, farMm: 5.8 } })).toBeCloseTo((0.4 / 150) * (180 / Math.PI), 3)
    expect(shape({ dishMm: 0.1 })).toBeCloseTo((0.4 / 150) * (180 / Math.PI), 3)
  })
})
