import { describe, expect, it } from 'vitest'
import { contactAt } from '../geometry/contact/contact'
import type { Rig } from '../records/rig/rig'
import { curveLength } from '../math/curve/arcLength'
import { edgePointAt, type EdgePoint } from '../math/curve/edgePoints'
import type { TableHold } from '../geometry/clamping/restingCentrePlane'
import { rodPoseAt, type Setup } from '../geometry/setup/setup'
import { armsRig, sampleSetup, slotRig, tableRig } from '../geometry/setup/sampleSetup.fixture'
import { edgeHeadingToleranceDeg } from '../records/blade/edgeHeading'
import { SHAPES } from '../records/blade/shapes'
import { uncertaintyBudget, includedUncertaintyDeg, totalUncertaintyDeg } from './budget'
import { radians } from '../math/units/angle'
import type { Vec2 } from '../math/vector/vec2'
import type { KnownHold } from '../records/job/knownHold'
import { measuresOf, type MeasureId } from './measures'
import { monteCarlo, type MonteCarloAsk, type MonteCarloResult } from './monteCarlo'

const known: KnownHold = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
const exactly: KnownHold = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 0, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 },
}
const belly = edgePointAt(sampleSetup.blade.edge, 70)

function run(ask: Partial<MonteCarloAsk> = {}): MonteCarloResult {
  const sampling = monteCarlo({
    setup: sampleSetup,
    known,
    edgePoint: belly,
    pivotHeightMm: { A: 58, B: 58 },
    samples: 8_000,
    seed: 0.3,
    ...ask,
  })
  for (;;) {
    const step = sampling.next()
    if (step.done) return step.value
  }
}

/** A setup in which a measure is off by so much, changed where it is written down; and how far the pivot stands off. */
type Off = (setup: Setup, by: number, at: Vec2) => Setup | [setup: Setup, heightBy: number] | [Setup, number, EdgePoint]
const off: Record<MeasureId, Off> = {
  'pivot-height': (setup, by) => [setup, by],
  'pivot-height-b': (setup, by) => [setup, by],
  'pivot-play': (setup, by) => [setup, by],
  setback: ({ rig, ...rest }, by) => ({ ...rest, rig: { ...rig, pivot: shifted(rig.pivot, by, 0) } }),
  'setback-b': ({ rig, ...rest }, by) => ({ ...rest, rig: { ...rig, pivotB: shifted(rig.pivotB!, by, 0) } }),
  'pivot-along': ({ rig, ...rest }, by) => ({
    ...rest,
    rig: { ...rig, pivot: shifted(rig.pivot, 0, by), pivotB: rig.pivotB && shifted(rig.pivotB, 0, by) },
  }),
  'blade-height': (setup, by) => drawnOut(setup, 0, by),
  'blade-along': (setup, by) => drawnOut(setup, by, 0),
  turn: (setup, by) => ({ ...setup, hold: { ...setup.hold, turnDeg: setup.hold.turnDeg + by } }),
  'centre-offset': (setup, by) => ({
    ...setup,
    hold: { ...setup.hold, centreOffsetMm: setup.hold.centreOffsetMm + by },
  }),
  tilt: (setup, by) => ({ ...setup, hold: { ...setup.hold, tiltDeg: setup.hold.tiltDeg + by } }),
  // About the line square out of the jaws: the pivot goes the other way round.
  twist: ({ rig, ...rest }, by) => {
    const { u, w } = { u: rig.pivot.alongMm, w: 58 - rest.hold.centreOffsetMm }
    const [cos, sin] = [Math.cos(radians(by)), Math.sin(radians(by))]
    return [{ ...rest, rig: { ...rig, pivot: shifted(rig.pivot, 0, u * cos + w * sin - u) } }, w * cos - u * sin - w]
  },
  'edge-heading': (setup, by) => [setup, 0, running(belly, by)],
  'edge-place': (setup, by) => {
    const [hx, hy] = belly.heading
    return [setup, 0, { ...belly, point: [belly.point[0] - hy * by, belly.point[1] + hx * by] }]
  },
  'slot-place': (setup, by, [u]) => [{ ...setup, rig: standing(setup.rig, u + by) }, 0],
  'spine-thickness': (setup, by) =>
    measured(setup, {
      spineThicknessMm: setup.blade.spineThicknessMm + by,
      spineThicknessTipMm: setup.blade.spineThicknessTipMm && setup.blade.spineThicknessTipMm + by,
    }),
  'thickness-behind-edge': (setup, by) =>
    measured(setup, { thicknessBehindEdgeMm: setup.blade.thicknessBehindEdgeMm + by }),
  'grind-height': (setup, by) => measured(setup, { primaryGrindHeightMm: setup.blade.primaryGrindHeightMm + by }),
  rocking: ({ hold, ...rest }, by) => ({ ...rest, hold: { ...hold, rockedDeg: by } as TableHold }),
  'face-offset': (setup, by) => ({ ...setup, stone: { ...setup.stone, faceOffsetMm: setup.stone.faceOffsetMm + by } }),
  'face-shape': (setup) => setup,
}
const shifted = (place: Rig['pivot'], back: number, along: number) => ({
  ...place,
  setbackMm: place.setbackMm + back,
  alongMm: place.alongMm + along,
})
const measured = ({ blade, ...rest }: Setup, as: Partial<Setup['blade']>): Setup => ({
  ...rest,
  blade: { ...blade, ...as },
})
/** An edge point whose edge runs so much more towards the spine. */
function running(edgePoint: EdgePoint, by: number): EdgePoint {
  const turned = Math.atan2(edgePoint.heading[1], edgePoint.heading[0]) - radians(by)
  return { ...edgePoint, heading: [Math.cos(turned), Math.sin(turned)] }
}
/** A rig with a pivot that stands at one place of its slot and stays there. */
const standing = (rig: Setup['rig'], u: number): Setup['rig'] => ({
  ...rig,
  pivot: { ...rig.pivot, alongMm: u },
  height: { ...rig.height, slideMm: 0 } as Setup['rig']['height'],
})
function drawnOut(setup: Setup, along: number, out: number): Setup {
  const { hold } = setup
  const [cos, sin] = [Math.cos(radians(hold.turnDeg)), Math.sin(radians(hold.turnDeg))]
  const bladeXMm = hold.bladeXMm - along * cos - out * sin
  return { ...setup, hold: { ...hold, bladeXMm, bladeYMm: hold.bladeYMm + along * sin - out * cos } }
}

describe('the share of each measure', () => {
  const hold = { ...sampleSetup.hold, turnDeg: 5, centreOffsetMm: 0.3, tiltDeg: 0.4 }
  const pivot = { setbackMm: 95, alongMm: 12, overScaleMm: 0 }
  const stone = { ...sampleSetup.stone, dishMm: 0.1, faceOffsetToleranceMm: 0.2 }
  const loose = { pivotPlayMm: 0.2, pivot }
  const shared = ['pivot-along', 'pivot-play', 'blade-height', 'blade-along', 'turn']
  const rest = ['tilt', 'edge-heading', 'face-offset', 'face-shape']
  const faces = ['spine-thickness', 'thickness-behind-edge', 'grind-height']
  it.each<[string, Setup, string[]]>([
    [
      'a turning clamp',
      { ...sampleSetup, hold, stone, rig: { ...sampleSetup.rig, ...loose } },
      ['pivot-height', 'setback', ...shared, 'centre-offset', ...rest],
    ],
    [
      'jaws with one fixed half',
      {
        ...sampleSetup,
        stone,
        rig: { ...sampleSetup.rig, ...loose, jawsClose: 'one-half-moves' },
        blade: {
          ...sampleSetup.blade,
          spineThicknessTipMm: 1.5,
          edgeUncertainty: { placeMm: 0.2, headingDeg: [0.5, 2] },
        },
      },
      ['pivot-height', 'setback', ...shared, 'centre-offset', 'twist', 'edge-place', ...rest],
    ],
    [
      'an upright with two arms',
      { ...sampleSetup, hold, stone, rig: { ...armsRig, ...loose } },
      ['pivot-height', 'pivot-height-b', 'setback', 'setback-b', ...shared, 'centre-offset', ...rest],
    ],
    [
      'a table',
      { ...sampleSetup, hold, stone, rig: { ...tableRig, ...loose } },
      ['pivot-height', 'setback', ...shared, ...rest, ...faces],
    ],
    [
      'a table, on a face that rocks',
      {
        ...sampleSetup,
        hold: { ...hold, restsOn: 'face' },
        stone,
        rig: { ...tableRig, ...loose },
        blade: { ...sampleSetup.blade, spineThicknessTipMm: 1.5 },
      },
      ['pivot-height', 'setback', ...shared, ...rest, ...faces, 'rocking'],
    ],
    [
      'a plate with wide slots',
      { ...sampleSetup, hold: { ...hold, turnDeg: 15 }, stone, rig: { ...slotRig, pivotPlayMm: 0.2 } },
      ['pivot-height', 'setback', ...shared, 'centre-offset', ...rest, 'slot-place'],
    ],
  ])('on %s is what a whole evaluation gives with that measure off by its tolerance', (_, setup, ids) => {
    const own: Partial<Record<MeasureId, 'A' | 'B'>> = setup.rig.pivotB
      ? { 'pivot-height': 'A', setback: 'A', 'pivot-height-b': 'B', 'setback-b': 'B' }
      : {}
    for (const side of ['A', 'B'] as const) {
      const angle = (at: Setup, height: number, edgePoint = belly) => {
        const contact = contactAt(edgePoint, at.hold, rodPoseAt(at, side, height))
        if (!contact.ok) throw new Error(contact.code)
        return contact
      }
      const budget = uncertaintyBudget(setup, known, side, 58, belly)
      expect(budget.map((share) => share.id).sort()).toEqual([...ids].sort())
      expect(budget.map((share) => share.shareDeg)).toEqual(budget.map((share) => share.shareDeg).sort((a, b) => b - a))
      for (const { id, unit, tolerance, perUnitDeg, shareDeg } of budget) {
        const [more, less] = [tolerance, -tolerance].map((by) => {
          const { foot } = angle(setup, 58)
          const mirrored = side === 'B' ? ([-foot[0], foot[1]] as const) : foot
          const changed = off[id](setup, side === 'B' && id === 'slot-place' ? -by : by, mirrored)
          const [at, heightBy, edgePoint] = Array.isArray(changed) ? changed : [changed, 0]
          return angle(at, 58 + heightBy, edgePoint).edgeAngleDeg
        })
        let expected = (more! - less!) / (2 * tolerance)
        if (own[id] && own[id] !== side) expected = 0
        if (id === 'face-shape') {
          // The face goes on through the tangent, and its normal stands off square to the rod by as much as it is
          // tilted: it is turned about the tangent by that over what of the rod lies square to it in the face.
          const { point, foot, outward, heightMm, reachMm, edgeAngleDeg } = angle(setup, 58)
          const theta = radians(edgeAngleDeg)
          const lift = setup.stone.faceOffsetMm
          const over = [0, 1].map((axis) => point[axis]! + outward[axis]! * lift * Math.sin(theta))
          const rod = [foot[0] - over[0]!, foot[1] - over[1]!, heightMm - lift * Math.cos(theta)].map(
            (x) => x / reachMm,
          )
          const square = [-outward[0] * Math.cos(theta), -outward[1] * Math.cos(theta), Math.sin(theta)]
          expected = 1 / square.reduce((sum, x, axis) => sum + x * rod[axis]!, 0)
        }
        expect(Math.abs(perUnitDeg - expected), `${id} on ${side}`).toBeLessThan(2e-3)
        expect(shareDeg).toBeCloseTo(Math.abs(perUnitDeg) * tolerance, 12)
        expect(unit).toBe(
          ['turn', 'tilt', 'twist', 'edge-heading', 'rocking', 'face-shape'].includes(id) ? 'deg' : 'mm',
        )
      }
      expect(totalUncertaintyDeg(budget) ** 2).toBeCloseTo(
        budget.reduce((sum, { shareDeg }) => sum + shareDeg * shareDeg, 0),
        12,
      )
    }
  })

  it('takes each tolerance from where it is written down', () => {
    const { tolerance: usual } = armsRig
    const tolerance = { ...usual, heightMm: 0.11, setbackMm: 0.22, alongMm: 0.33 }
    const rig = { ...armsRig, pivotPlayMm: 0.7, tolerance }
    const tolerances = measuresOf({ ...sampleSetup, rig, stone }, known, belly).map(({ id, tolerance }) => [
      id,
      tolerance,
    ])
    expect(Object.fromEntries(tolerances)).toEqual({
      'pivot-height': 0.11,
      'pivot-height-b': 0.11,
      setback: 0.22,
      'setback-b': 0.22,
      'pivot-along': 0.33,
      'pivot-play': 0.7,
      'blade-height': 0.5,
      'blade-along': 1,
      turn: 0.5,
      'centre-offset': 0.1,
      tilt: 0.2,
      'edge-heading': 0.5,
      'face-offset': 0.2,
      'face-shape': expect.closeTo((0.4 / 150) * (180 / Math.PI), 3),
    })
  })

  it('of a traced edge is what its trace said there', () => {
    const traced = {
      ...sampleSetup.blade,
      edgeHeadingToleranceDeg: 0.4,
      edgeUncertainty: { placeMm: 0.3, headingDeg: [3, 1, 5] },
    }
    const all = curveLength(traced.edge)
    for (const [share, deg] of [
      [0, 3],
      [0.25, 2],
      [0.5, 1],
      [1, 5],
    ] as const)
      expect(edgeHeadingToleranceDeg(traced, edgePointAt(traced.edge, share * all))).toBeCloseTo(deg, 9)
    expect(measuresOf({ ...sampleSetup, blade: traced }, known, belly)).toContainEqual({
      id: 'edge-place',
      unit: 'mm',
      tolerance: 0.3,
    })
  })

  it('of the edge’s own direction is what was said of it, else half a degree, and more in the belly of a library shape', () => {
    const { blade } = sampleSetup
    const shape = { id: 'drop-point' as const, measures: SHAPES['drop-point'].usual }
    const straight = edgePointAt(blade.edge, 20)
    expect(edgeHeadingToleranceDeg(blade, belly)).toBe(0.5)
    expect(edgeHeadingToleranceDeg({ ...blade, shape }, straight)).toBe(0.5)
    // Fifteen millimetres round the belly of 45 mm the edge has turned by 19°.
    expect(edgeHeadingToleranceDeg({ ...blade, shape }, belly)).toBeCloseTo(
      0.5 + 0.06 * ((15 / 45) * (180 / Math.PI)),
      6,
    )
    expect(edgeHeadingToleranceDeg({ ...blade, shape, edgeHeadingToleranceDeg: 0.2 }, belly)).toBe(0.2)
  })

  it('is nothing where the angle does not exist a little to one side', () => {
    const budget = uncertaintyBudget(sampleSetup, known, 'A', 6.005, belly)
    expect(budget.find((share) => share.id === 'face-offset')!.shareDeg).toBe(0)
  })

  it('in the included angle counts once, with the signs of both sides', () => {
    const one = (id: MeasureId, perUnitDeg: number) => ({
      id,
      unit: 'mm' as const,
      tolerance: 0.5,
      perUnitDeg,
      shareDeg: 0,
    })
    const a = [one('pivot-height', 0.4), one('centre-offset', 0.3), one('setback', -0.2)]
    const b = [one('centre-offset', -0.3), one('pivot-height', 0.5)]
    expect(includedUncertaintyDeg(a, b)).toBeCloseTo(Math.hypot(0.9 * 0.5, 0, 0.2 * 0.5), 12)
  })
})

/** A rig whose pivot height and setback proofs told together, and with them a little of the stone's face. */
const calibrated: Setup = {
  ...sampleSetup,
  stone: { ...sampleSetup.stone, id: 'stone' },
  rig: {
    ...sampleSetup.rig,
    fitted: {
      at: '2026-03-01T10:00:00.000Z',
      measures: [
        { id: 'pivot-height', uncertainty: 0.29, written: 0.3, face: null },
        { id: 'setback', uncertainty: 0.5, written: 0.5, face: null },
        { id: 'tilt', uncertainty: 0.05, written: null, face: null },
        { id: 'face-offset', uncertainty: 0.1, written: 0.1, face: { stoneId: 'stone', writtenMm: 5.9, isMm: 6 } },
      ],
      correlation: [
        [1, 0.95, 0, 0.3],
        [0.95, 1, 0, 0.2],
        [0, 0, 1, 0.1],
        [0.3, 0.2, 0.1, 1],
      ],
      ofRevision: 1,
    },
  },
}

describe('what proofs left open of a rig’s measures', () => {
  const budgetOf = (setup: Setup) => uncertaintyBudget(setup, { ...exactly, bladeHeightToleranceMm: 0 }, 'A', 58, belly)

  it('hangs together: a pivot that stands higher and further behind sets nearly the same angle', () => {
    const [height, setback] = (['pivot-height', 'setback'] as const).map((id) =>
      budgetOf(calibrated).find((share) => share.id === id)!,
    )
    const [h, s] = [height!.perUnitDeg * 0.29, setback!.perUnitDeg * 0.5]
    expect(totalUncertaintyDeg([height!, setback!])).toBeCloseTo(Math.sqrt(h * h + s * s + 2 * 0.95 * h * s), 12)
    expect(totalUncertaintyDeg([height!, setback!])).toBeLessThan(0.6 * Math.hypot(h, s))
    expect(height!.shareDeg).toBeLessThan(Math.abs(h))
  })

  it('is gone where the measure was taken again, or another stone is on the rod', () => {
    const { tolerance } = calibrated.rig
    const again = { ...calibrated, rig: { ...calibrated.rig, tolerance: { ...tolerance, setbackMm: 0.4 } } }
    const other = { ...calibrated, stone: { ...calibrated.stone, id: 'other' } }
    const tied = (setup: Setup) => budgetOf(setup).find(({ id }) => id === 'pivot-height')!.tiedTo
    expect(tied(calibrated)).toEqual({ setback: 0.95, 'face-offset': 0.3 })
    expect(Object.keys(tied(again)!)).not.toContain('setback')
    expect(Object.keys(tied(other)!)).not.toContain('face-offset')
  })

  it('of how the jaws hold blades, what differs each time comes on top; a hold that is known better stays so', () => {
    const tiltOf = (tiltDeg: number) => {
      const known: KnownHold = { ...exactly, holdTolerance: { ...exactly.holdTolerance, tiltDeg } }
      return measuresOf(calibrated, known, belly).find(({ id }) => id === 'tilt')!.tolerance
    }
    expect(tiltOf(0.2)).toBeCloseTo(Math.hypot(0.05, 0.1), 12)
    expect(tiltOf(0.06)).toBe(0.06)
  })
})

describe('how sure the set angle is', () => {
  it.each<[string, Setup]>([
    ['a turning clamp', sampleSetup],
    ['an upright with two arms', { ...sampleSetup, rig: armsRig }],
    ['a table', { ...sampleSetup, rig: tableRig }],
    ['a rig that proofs calibrated', calibrated],
  ])('the samples agree with the first-order budget on %s', (_, setup) => {
    const sampled = run({ setup })
    const [a, b] = (['A', 'B'] as const).map((side) => uncertaintyBudget(setup, known, side, 58, belly))
    expect(sampled.sides.A!.halfWidthDeg / totalUncertaintyDeg(a!)).toBeCloseTo(1, 1)
    expect(sampled.sides.B!.halfWidthDeg / totalUncertaintyDeg(b!)).toBeCloseTo(1, 1)
    expect(sampled.included!.halfWidthDeg / includedUncertaintyDeg(a!, b!)).toBeCloseTo(1, 1)
  })

  it('the same seed gives the same samples, another seed others', () => {
    expect(run({ samples: 3000 })).toEqual(run({ samples: 3000 }))
    expect(run({ samples: 3000, seed: 0.4 }).sides.A!.meanDeg).not.toBe(run({ samples: 3000 }).sides.A!.meanDeg)
  })

  it('where the pivot barely clears the face the samples tell what first order cannot: some have no angle', () => {
    const sampled = run({ pivotHeightMm: { A: 6.2, B: 6.2 } })
    expect(sampled.refused).toBeGreaterThan(200)
    expect(sampled.sides.A!.lowDeg).toBeGreaterThan(0)
  })

  it('counts every sample in one bin of a round width, from the lowest angle to the highest', () => {
    const { sides, included, refused } = run({ samples: 5000 })
    const { histogram, meanDeg, lowDeg, highDeg, halfWidthDeg } = sides.A!
    const { fromDeg, stepDeg, counts } = histogram
    expect(counts.reduce((sum, count) => sum + count, 0)).toBe(5000)
    expect(counts.length).toBeLessThanOrEqual(40)
    expect(counts.length).toBeGreaterThan(12)
    expect([counts[0]! > 0, counts.at(-1)! > 0, refused]).toEqual([true, true, 0])
    expect(Math.abs(fromDeg / stepDeg - Math.round(fromDeg / stepDeg))).toBeLessThan(1e-9)
    // What the bins say of the spread is what the percentiles say.
    const upTo = (deg: number) =>
      counts.reduce((sum, count, i) => sum + (fromDeg + (i + 1) * stepDeg <= deg ? count : 0), 0)
    expect([upTo(lowDeg - stepDeg) <= 125, upTo(lowDeg + stepDeg) >= 125]).toEqual([true, true])
    expect([upTo(highDeg - stepDeg) <= 4875, upTo(highDeg + stepDeg) >= 4875]).toEqual([true, true])
    expect(halfWidthDeg).toBeCloseTo((highDeg - lowDeg) / 2, 12)
    const centres = counts.reduce((sum, count, i) => sum + count * (fromDeg + (i + 0.5) * stepDeg), 0) / 5000
    expect(Math.abs(meanDeg - centres)).toBeLessThan(stepDeg / 4)
    expect(included!.meanDeg).toBeCloseTo(meanDeg + sides.B!.meanDeg, 9)
  })

  it('a blade with one bevel has no other side to include; without uncertainty all samples fall together', () => {
    const oneBevel = { ...sampleSetup, blade: { ...sampleSetup.blade, bevels: 'A' as const } }
    const one = run({ setup: oneBevel, samples: 500 })
    expect(one.included!.meanDeg).toBe(one.sides.A!.meanDeg)
    const { rig, stone } = sampleSetup
    const sure = run({
      setup: {
        ...sampleSetup,
        rig: { ...rig, pivotPlayMm: 0, tolerance: { ...rig.tolerance, heightMm: 0, setbackMm: 0, alongMm: 0 } },
        blade: { ...sampleSetup.blade, edgeHeadingToleranceDeg: 0 },
        stone: { ...stone, faceOffsetToleranceMm: 0 },
      },
      known: { ...exactly, bladeHeightToleranceMm: 0 },
      samples: 9,
    })
    expect(sure.sides.A!.histogram).toMatchObject({ stepDeg: 0.005, counts: [9] })
    expect(sure.sides.A!.halfWidthDeg).toBe(0)
  })

  it('one sample is no spread, and where the stone never comes down there is none', () => {
    expect(run({ samples: 1 }).sides).toEqual({ A: null, B: null })
    const none = run({ samples: 300, pivotHeightMm: { A: 1, B: 58 } })
    expect(none).toEqual({ sides: { A: null, B: null }, included: null, samples: 300, refused: 300 })
  })

  it('says how far it is, so that it can be shown and stopped', () => {
    const sampling = monteCarlo({
      setup: sampleSetup,
      known,
      edgePoint: belly,
      pivotHeightMm: { A: 58, B: 58 },
      samples: 12_000,
      seed: 1 / 3,
    })
    expect([sampling.next().value, sampling.next().value]).toEqual([4000, 8000])
  })

  it('a centring error cancels in the included angle; an uncertaintyful height of one post counts twice, of two arms once each', () => {
    const offCentre = { ...exactly, holdTolerance: { ...exactly.holdTolerance, centreOffsetMm: 0.5 } }
    const included = (setup: Setup, hold: KnownHold) =>
      includedUncertaintyDeg(
        uncertaintyBudget(setup, hold, 'A', 58, belly),
        uncertaintyBudget(setup, hold, 'B', 58, belly),
      )
    expect(included(sampleSetup, offCentre) - included(sampleSetup, exactly)).toBeLessThan(0.01)
    expect(included({ ...sampleSetup, rig: armsRig }, exactly)).toBeLessThan(included(sampleSetup, exactly))
  })

  it('a tapered or dished stone is an uncertainty of its own', () => {
    const shape = (stone: Partial<Setup['stone']>) =>
      uncertaintyBudget(
        { ...sampleSetup, stone: { ...sampleSetup.stone, ...stone } },
        exactly,
        'A',
        58,
        edgePointAt(sampleSetup.blade.edge, 40),
      ).find((share) => share.id === 'face-shape')?.shareDeg ?? 0
    expect(shape({})).toBe(0)
    expect(shape({ faceOffsetEnds: { nearMm: 6.2, farMm: 5.8 } })).toBeCloseTo((0.4 / 150) * (180 / Math.PI), 3)
    expect(shape({ dishMm: 0.1 })).toBeCloseTo((0.4 / 150) * (180 / Math.PI), 3)
  })
})
