import { pivotAt } from '../../geometry/clamping/pivot'
import { expect, it } from 'vitest'
import { armsRig, plainStone, postRig, sampleSetup, tableRig } from '../../geometry/setup/sampleSetup.fixture'
import { uncertaintyBudget } from '../../uncertainty/budget'
import { ANGLE_ALONE, type Proof } from '../../log/entry'
import { bothSides, setupSaying } from '../../log/setupSnapshot.fixture'
import type { DialSetting } from '../../records/rig/dials/readings'
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
  setup: setupSaying({ setting: bothSides({ by: 'millimetres', mm: 40 }), hold: sampleSetup.hold }),
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
  expect(why({ setup: null })).toBe('not-cut')
  expect(why({ setup: { ...proof.setup!, hold: null } })).toBe('not-cut')
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

it('a proof of which the blade or stone is gone, or that this rig gives no angle to, tells nothing', () => {
  const left = (more: object) => provedOnRig([proof], RIG_UNKNOWNS, { ...lookup, ...more }).left[0]?.why
  expect(left({ blade: () => undefined })).toBe('blade-or-stone-gone')
  expect(left({ stone: () => undefined })).toBe('blade-or-stone-gone')
  const cutAt = (setting: DialSetting) => ({ setup: { ...proof.setup!, setting: bothSides(setting) } })
  expect(why(cutAt({ by: 'slot', label: '3' }))).toBe('no-angle')
  expect(why(cutAt({ by: 'millimetres', mm: -60 }))).toBe('no-angle')
})

it('is placed where it was taken, at the heel where that was not said, and as uncertain as all that differs each time', () => {
  const angleOf = (more: Partial<Proof>) => provedOnRig([{ ...proof, ...more }], RIG_UNKNOWNS, lookup).counted[0]!.angle
  expect(angleOf({}).edgePoint.fromHeelMm).toBe(30)
  expect(angleOf({ placeMm: null }).edgePoint.fromHeelMm).toBe(0)
  expect(angleOf({})).toMatchObject({ side: 'A', stoneId: 's', deg: 20, setup: { hold: sampleSetup.hold } })
  const { pivotHeightMm, edgePoint, uncertaintyDeg } = angleOf({})
  const budget = uncertaintyBudget(
    { ...sampleSetup, rig: postRig, stone: plainStone },
    known,
    'A',
    pivotHeightMm,
    edgePoint,
  )
  const ofHold = budget.filter(({ id }) => !RIG_UNKNOWNS.some((one) => one === id))
  const slope = (id: string) => budget.find((share) => share.id === id)!.perUnitDeg
  const { againOffsetMm, againTiltDeg } = postRig.tolerance
  expect(uncertaintyDeg).toBeCloseTo(
    Math.hypot(
      0.2,
      ...ofHold.map(({ shareDeg }) => shareDeg),
      againOffsetMm * slope('centre-offset'),
      againTiltDeg * slope('tilt'),
    ),
    6,
  )
})

it('what may move is known to its tolerance, to what proofs left of it, and not asked about where it is known', () => {
  const stones = [
    { ...plainStone, id: 's' },
    { ...plainStone, id: 't', faceOffsetToleranceMm: 0 },
  ]
  const { heightMm, setbackMm } = postRig.tolerance
  const tolerances = (rig: typeof postRig) => unknownsOf(rig, stones, known).map(({ tolerance }) => tolerance)
  expect(tolerances(postRig)).toEqual([heightMm, setbackMm, 0.1, 0.2, 0.1])
  const face = { stoneId: 's', writtenMm: plainStone.faceOffsetMm, isMm: plainStone.faceOffsetMm }
  const fitted = {
    at: '',
    ofRevision: 1,
    measures: [
      { id: 'setback' as const, uncertainty: 0.07, written: setbackMm, face: null },
      { id: 'face-offset' as const, uncertainty: 0.04, written: plainStone.faceOffsetToleranceMm, face },
    ],
    correlation: [
      [1, -0.6],
      [-0.6, 1],
    ],
  }
  const rig = { ...postRig, fitted }
  expect(tolerances(rig)).toEqual([heightMm, 0.07, 0.1, 0.2, 0.04])
  const unknowns = unknownsOf(rig, stones, known)
  expect(priorCorrelation(rig, stones, unknowns)).toEqual([
    [1, 0, 0, 0, 0],
    [0, 1, 0, 0, -0.6],
    [0, 0, 1, 0, 0],
    [0, 0, 0, 1, 0],
    [0, -0.6, 0, 0, 1],
  ])
})

it('measures are written to a thousandth, uncertainties rounded up to a hundredth, and no face lies behind the rod', () => {
  const stones = [{ ...plainStone, id: 's' }]
  const unknown = (id: UnknownId, error: number, uncertainty: number, stoneId: string | null = null) => ({
    id,
    stoneId,
    tolerance: 0.5,
    error,
    uncertainty,
    perWrongDeg: 0,
  })
  const fit: RigFit = {
    unknowns: [
      unknown('pivot-height', 0.12345, 0.123),
      unknown('setback', -0.2344, 0.001),
      unknown('centre-offset', 0.0506, 0.05),
      unknown('tilt', -0.1004, 0.1),
      unknown('face-offset', -20, 0.05, 's'),
    ],
    proofs: [],
    correlation: [[1]],
  }
  const rig = calibratedRig({ ...postRig, calibratedBy: ['before'] }, stones, fit, {
    at: '2026-03-01T10:00:00.000Z',
    ofRevision: 3,
    proofIds: [proof.id],
  })
  expect(rig.tolerance).toEqual({ ...postRig.tolerance, heightMm: 0.13, setbackMm: 0.01 })
  expect(rig.pivot.setbackMm).toBeCloseTo(postRig.pivot.setbackMm - 0.234, 9)
  expect(rig.centring).toEqual({ offsetMm: 0.051, tiltDeg: -0.1 })
  expect(rig.calibratedBy).toEqual(['before', proof.id])
  expect(rig.fitted).toMatchObject({ at: '2026-03-01T10:00:00.000Z', ofRevision: 3, correlation: [[1]] })
  expect(rig.fitted!.measures.map(({ id, written, face }) => [id, written, face?.isMm ?? null])).toEqual([
    ['pivot-height', 0.13, null],
    ['setback', 0.01, null],
    ['centre-offset', null, null],
    ['tilt', null, null],
    ['face-offset', plainStone.faceOffsetToleranceMm, 0],
  ])
  expect(rig.height).toMatchObject({ by: 'millimetres' })
  expect(rig.pivotB).toBeNull()
  const arms = calibratedRig(
    armsRig,
    [],
    { ...fit, unknowns: [unknown('setback-b', 0.3, 0.2), unknown('pivot-height-b', -0.4, 0.2)] },
    { at: '', ofRevision: 1, proofIds: [] },
  )
  expect(arms.pivotB!.setbackMm).toBeCloseTo(armsRig.pivotB!.setbackMm + 0.3, 9)
  // The arms share a scale, which stays; the one pivot stands lower over it.
  expect(arms.height).toEqual(armsRig.height)
  expect(pivotAt(arms, 50, 'B').pivot.w).toBeCloseTo(49.6, 9)
  expect(pivotAt(arms, 50, 'A').pivot.w).toBe(50)
  expect(arms.pivot).toEqual(armsRig.pivot)
})

it('a rig lets move only what it has and can be written down of it', () => {
  const stones = [{ ...plainStone, id: 's' }]
  const idsOf = (rig: typeof postRig) => unknownsOf(rig, stones, known).map(({ id }) => id)
  expect(idsOf(postRig)).toEqual(['pivot-height', 'setback', 'centre-offset', 'tilt', 'face-offset'])
  expect(idsOf(armsRig)).toEqual([...RIG_UNKNOWNS])
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
      perWrongDeg: 0,
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
    perWrongDeg: 0,
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
