import { expect, it } from 'vitest'
import { armsRig, plainStone, postRig, sampleSetup, tableRig } from '../../geometry/setup/sampleSetup.fixture'
import { ANGLE_ALONE, type Proof } from '../../log/entry'
import { fitRig, type ProvedAngle, type RigFit } from './fitRig'
import { onRig } from '../../records/rig/fittedAt'
import { asBefore, calibratedRig } from './calibrated'
import { RIG_UNKNOWNS, type UnknownId } from '../../records/rig/unknowns'
import { priorCorrelation, freeParameters, provedOnRig, unknownsOf } from './provedOnRig'

const known = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
const proof: Proof = {
  id: '01980000-0000-7000-8000-000000000001',
  at: '2026-03-01T10:00:00.000Z',
  jobId: null,
  bladeId: null,
  stoneId: 's',
  instrumentId: null,
  kind: 'proof',
  side: 'A',
  placeMm: 30,
  zone: null,
  deg: 20,
  uncertaintyDeg: 0.2,
  by: 'goniometer',
  ...ANGLE_ALONE,
  toApex: true,
  cut: { rigId: '', rigRevision: 1, setting: { by: 'millimetres', mm: 40 }, hold: sampleSetup.hold, setDeg: 20 },
}
const lookup = { rig: postRig, blade: () => sampleSetup.blade, stone: () => plainStone, known: () => known }
const why = (more: Partial<Proof>, rig = postRig) =>
  provedOnRig([{ ...proof, ...more }], RIG_UNKNOWNS, { ...lookup, rig }).left[0]?.why ?? 'counted'

it('only a flat bevel cut through to the apex at a noted setting, read on a goniometer and once, counts', () => {
  expect(why({})).toBe('counted')
  expect(why({ by: 'ink' })).toBe('not-goniometer')
  expect(why({ finish: 'convex' })).toBe('convex')
  expect(why({ toApex: null })).toBe('apex-not-said')
  expect(why({ toApex: false })).toBe('not-to-apex')
  expect(why({ cut: null })).toBe('not-dialled')
  expect(why({}, { ...postRig, calibratedBy: [proof.id] })).toBe('counted-before')
})

it('what may not move makes each proof more uncertain', () => {
  const uncertainty = (moving: readonly UnknownId[]) =>
    provedOnRig([proof], moving, lookup).counted[0]!.angle.uncertaintyDeg
  expect(uncertainty(RIG_UNKNOWNS)).toBeGreaterThan(proof.uncertaintyDeg)
  expect(uncertainty([])).toBeGreaterThan(uncertainty(RIG_UNKNOWNS))
  const fixed = (stoneId: string) =>
    provedOnRig([proof], RIG_UNKNOWNS, { ...lookup, fixedStones: [stoneId] }).counted[0]!.angle.uncertaintyDeg
  expect(fixed('s')).toBe(uncertainty(RIG_UNKNOWNS.filter((id) => id !== 'face-offset')))
  expect(fixed('another')).toBe(uncertainty(RIG_UNKNOWNS))
})

it('a rig lets move only what it has and can be written down of it', () => {
  const stones = [{ ...plainStone, id: 's' }]
  const idsOf = (rig: typeof postRig) => unknownsOf(rig, stones, known).map(({ id }) => id)
  expect(idsOf(postRig)).toEqual(['pivot-height', 'setback', 'centre-offset', 'tilt', 'face-offset'])
  expect(idsOf(armsRig)).toEqual(['setback', 'setback-b', 'centre-offset', 'tilt', 'face-offset'])
  expect(freeParameters(tableRig)).toEqual(['pivot-height', 'setback', 'face-offset'])
})

it('a tolerance that stands for two arms becomes less only when both are known better', () => {
  const setback = (uncertainties: Partial<Record<'setback' | 'setback-b', number>>) => {
    const unknowns = Object.entries(uncertainties).map(([id, uncertainty]) => ({
      id: id as 'setback',
      stoneId: null,
      tolerance: 0.5,
      error: 0,
      uncertainty,
    }))
    const fit = { unknowns, proofs: [], correlation: [] } satisfies RigFit
    return calibratedRig(armsRig, [], fit, { at: '', ofRevision: 1, proofIds: [] }).tolerance.setbackMm
  }
  expect(setback({ setback: 0.2 })).toBe(0.5)
  expect(setback({ setback: 0.2, 'setback-b': 0.3 })).toBe(0.3)
})

it('what was taken over holds on this rig alone, and can be put back whatever was written of the rig since', () => {
  const stones = [{ ...plainStone, id: 's' }]
  const unknowns = unknownsOf(postRig, stones, known).map((one) => ({
    ...one,
    error: 0.1,
    uncertainty: one.tolerance / 3,
  }))
  const correlation = unknowns.map((_, k) => unknowns.map((_one, j) => +(k === j)))
  const taken = { at: '', ofRevision: 1, proofIds: [proof.id] }
  const rig = calibratedRig(postRig, stones, { unknowns, proofs: [], correlation }, taken)
  expect(rig.pivot.setbackMm).toBe(95.1)
  expect(onRig(rig, stones[0]!).faceOffsetMm).toBe(6.1)
  expect(onRig(postRig, stones[0]!)).toBe(stones[0])
  // Calibrated once more it is counted from what was written down of the stone, not twice.
  const again = calibratedRig(rig, [onRig(rig, stones[0]!)], { unknowns, proofs: [], correlation }, taken)
  expect(onRig(again, stones[0]!).faceOffsetMm).toBeCloseTo(6.2, 9)
  const ends = { ...stones[0]!, faceOffsetEnds: { nearMm: 5.5, farMm: 6.5 } }
  expect(onRig(rig, ends).faceOffsetEnds).toEqual({ nearMm: expect.closeTo(5.6, 9), farMm: expect.closeTo(6.6, 9) })
  // A stone that was measured anew, worn or with another tolerance, is as it was measured.
  for (const anew of [{ faceOffsetMm: 5.8 }, { faceOffsetToleranceMm: 0.05 }]) {
    const stone = { ...stones[0]!, ...anew }
    expect(onRig(rig, stone)).toBe(stone)
  }
  expect(asBefore({ ...rig, notes: 'oiled' }, postRig)).toEqual({ ...postRig, notes: 'oiled' })
})

it('a rig that proofs calibrated goes on from there: what hung together is known together', () => {
  const stones = [{ ...plainStone, id: 's' }]
  const unknowns = unknownsOf(postRig, stones, known)
  /** A little steeper than set, and known well. */
  const proved = (of: Partial<Proof>): ProvedAngle => {
    const { angle } = provedOnRig([{ ...proof, ...of }], RIG_UNKNOWNS, lookup).counted[0]!
    return { ...angle, deg: fitRig([angle], unknowns).proofs[0]!.beforeDeg! + 0.1, uncertaintyDeg: 0.05 }
  }
  const [one, other] = [proved({}), proved({ side: 'B' })]
  const [first, both] = [fitRig([one], unknowns), fitRig([one, other], unknowns)]
  const rig = calibratedRig(postRig, stones, first, { at: '', ofRevision: 1, proofIds: [] })
  const now = stones.map((stone) => onRig(rig, stone))
  const then = unknownsOf(rig, now, known)
  // The second proof is told against what the first has calibrated.
  const calibrated = { ...postRig, pivot: rig.pivot, centring: rig.centring }
  const pivotHeightMm = other.pivotHeightMm + first.unknowns[0]!.error
  const moved = [{ ...other, setup: { ...other.setup, rig: calibrated, stone: now[0]! }, pivotHeightMm }]
  const off = (fit: RigFit) =>
    Math.max(...fit.unknowns.map(({ uncertainty }, k) => Math.abs(uncertainty / both.unknowns[k]!.uncertainty - 1)))
  expect(off(fitRig(moved, then, priorCorrelation(rig, now, then)))).toBeLessThan(0.01)
  expect(off(fitRig(moved, then))).toBeGreaterThan(0.02)
})
