import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contactAt, contactsAlong, type Contact } from '../../geometry/contact/contact'
import { primaryHalfAngleDeg } from '../../records/blade/primaryHalfAngle'
import type { Side } from '../../records/common/side'
import { evenEdgePoints, edgePointAt } from '../../math/curve/edgePoints'
import { refuse, type Refusal } from '../../schema/refusal'
import { radians } from '../../math/units/angle'
import { measuresOf } from '../../uncertainty/measures'
import { benchShifter } from '../../uncertainty/shifted'
import type { GaugeUse, GaugeZero } from '../../records/job/gaugeZero'
import { primaryFaceDeg } from '../../records/blade/primaryFace'
import { centrePlaneOf, rodPoseAt, type Setup } from '../../geometry/setup/setup'
import { sampleSetup, slotRig, tableRig } from '../../geometry/setup/sampleSetup.fixture'
import { expectedReadingDeg } from '../../geometry/gauge/expectedReading'
import { likelyCauses, readingMoves } from './likelyCauses'
import { whereSquare } from '../../geometry/gauge/whereSquare'

const straight = edgePointAt(sampleSetup.blade.edge, 40)
const edgePoints = evenEdgePoints(sampleSetup.blade.edge, 200)
const known = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 1, turnDeg: 0.5, centreOffsetMm: 0.1, tiltDeg: 0.2 },
}
function contact(setup: Setup, side: Side = 'A', height = 58, edgePoint = straight): Contact {
  const found = contactAt(edgePoint, setup.hold, rodPoseAt(setup, side, height))
  if (!found.ok) throw new Error(found.code)
  return found
}

/** A gauge with two axes: it reads the rod alone. */
const two = (zero: GaugeZero): GaugeUse => ({ zero, axes: 'two' })
const one = (zero: GaugeZero): GaugeUse => ({ zero, axes: 'one' })

/** The fall (degrees) of a run in the blade's plane once that plane is tilted about an axis in it: by Rodrigues. */
function fallAgainst([u, v]: [number, number], fall: number, axisTurn: number, tilt: number): number {
  const [axis, rod] = [
    [Math.cos(axisTurn), Math.sin(axisTurn), 0],
    [u, v, -fall],
  ] as const
  const acrossUp = axis[0] * rod[1] - axis[1] * rod[0]
  const up = rod[2] * Math.cos(tilt) + acrossUp * Math.sin(tilt)
  return (Math.asin(-up / Math.hypot(...rod)) * 180) / Math.PI
}

describe('what the gauge must read', () => {
  it('zeroed on the blade’s flat it reads the primary half-angle less, square to the edge', () => {
    const at = contact(sampleSetup)
    expect(expectedReadingDeg(sampleSetup, 'A', at, two('centre-plane'))).toBeCloseTo(at.edgeAngleDeg, 9)
    expect(expectedReadingDeg(sampleSetup, 'A', at, two('primary-face'))).toBeCloseTo(
      at.edgeAngleDeg - primaryHalfAngleDeg(sampleSetup.blade),
      9,
    )
  })

  it('zeroed on the jaws it sees the tilt of the blade, with opposite signs on the two sides', () => {
    const tilted = { ...sampleSetup, hold: { ...sampleSetup.hold, tiltDeg: 0.6 } }
    for (const [side, tilt] of [
      ['A', 0.6],
      ['B', -0.6],
    ] as const) {
      const at = contact(tilted, side)
      expect(expectedReadingDeg(tilted, side, at, two('clamp'))).toBeCloseTo(at.gaugeDeg - tilt, 9)
    }
  })

  it.each([
    ['jaws', sampleSetup.rig],
    ['table', tableRig],
  ])('zeroed on the %s, with a turned and tilted blade, it reads the rod against their level', (_, rig) => {
    const held = { ...sampleSetup, rig, hold: { ...sampleSetup.hold, turnDeg: 8, tiltDeg: 0.6 } }
    const at = contact(held)
    const plane = centrePlaneOf(held, 'A')
    expect(plane.axisTurnDeg).toBe(rig === tableRig ? 8 : 0)
    const [face, tilt, turn] = [sampleSetup.stone.faceOffsetMm, radians(plane.tiltDeg), radians(8)]
    // The rod's axis stands over the contact by the face's offset, square to the face; then into the jaws' frame.
    const edge = radians(at.edgeAngleDeg)
    const run = [0, 1].map((i) => at.point[i]! + at.outward[i]! * face * Math.sin(edge) - at.foot[i]!)
    const fall = at.heightMm - face * Math.cos(edge)
    expect(expectedReadingDeg(held, 'A', at, two('clamp'))).toBeCloseTo(
      fallAgainst(run as [number, number], fall, radians(plane.axisTurnDeg), tilt),
      6,
    )
    // On the flat only the part of its slope that lies along the rod counts.
    const bladeOut = [-Math.sin(turn), Math.cos(turn)]
    const share = (run[0]! * bladeOut[0]! + run[1]! * bladeOut[1]!) / Math.hypot(...run)
    const slope = Math.tan(radians(primaryFaceDeg(sampleSetup.blade, 'A')))
    expect(expectedReadingDeg(held, 'A', at, two('primary-face'))).toBeCloseTo(
      at.gaugeDeg - (Math.atan(slope * share) * 180) / Math.PI,
      6,
    )
    expect(share).toBeLessThan(0.999)
  })

  it('with one axis it rolls with the stone: what gravity does along the rod and along the face’s normal', () => {
    const held = { ...sampleSetup, hold: { ...sampleSetup.hold, turnDeg: 8, tiltDeg: 1.5 } }
    for (const place of [2, 40, 70, 90]) {
      const at = contact(held, 'A', 58, edgePointAt(held.blade.edge, place))
      const theta = radians(at.edgeAngleDeg)
      const normal = [at.outward[0] * Math.sin(theta), at.outward[1] * Math.sin(theta), Math.cos(theta)]
      const axis = [0, 1, 2].map((i) => [...at.point, 0][i]! + normal[i]! * held.stone.faceOffsetMm)
      const rod = [...at.foot, at.heightMm].map((x, i) => (x - axis[i]!) / at.reachMm)
      /** Against a plane with this normal: how the cube, its axis along the rod and its back on the face, stands. */
      const stands = (up: readonly number[]) => {
        const along = (of: readonly number[]) => of.reduce((sum, x, i) => sum + x * up[i]!, 0)
        return (Math.atan2(along(rod), along(normal)) * 180) / Math.PI
      }
      expect(expectedReadingDeg(held, 'A', at, one('centre-plane'))).toBeCloseTo(stands([0, 0, 1]), 9)
      const tilt = radians(1.5)
      expect(expectedReadingDeg(held, 'A', at, one('clamp'))).toBeCloseTo(
        stands([0, Math.sin(tilt), Math.cos(tilt)]),
        9,
      )
      // Square to the edge it is the edge angle; else it lies between the rod's slope and that.
      expect(expectedReadingDeg(held, 'A', at, one('centre-plane'))).toBeGreaterThanOrEqual(at.gaugeDeg - 1e-9)
      expect(expectedReadingDeg(held, 'A', at, one('centre-plane'))).toBeLessThanOrEqual(at.edgeAngleDeg + 1e-9)
    }
  })

  it('between two places it is square where a straight line through what they are off crosses nothing', () => {
    const at = (fromHeelMm: number, offMm: number): Contact => ({
      ...contact(sampleSetup),
      fromHeelMm,
      outward: [0, 1],
      foot: [0, 0],
      point: [offMm, 90],
    })
    const places = (...along: (Contact | Refusal)[]) => whereSquare(along).map(({ fromMm, toMm }) => [fromMm, toMm])
    expect(places(at(10, -3), at(20, 1))).toEqual([[17.5, 17.5]])
    expect(places(at(10, 1), at(20, 3))).toEqual([])
    // A stretch is told once, from its first place to its last; what crosses beside it is not told again.
    expect(places(at(10, -3), at(20, 0.02), at(30, -0.01), at(40, 0.01), at(50, 3))).toEqual([[20, 40]])
    expect(places(at(10, 0), at(20, 3), at(30, 0), at(40, 0))).toEqual([
      [10, 10],
      [30, 40],
    ])
    // Between two facets the rod is square to neither.
    const facet = { ...at(20, 1), outward: [Math.sin(0.5), Math.cos(0.5)] as const }
    expect(places(at(10, -3), facet)).toEqual([])
    // Where the stone does not come there is no line to cross.
    expect(places(at(10, -3), refuse('beyond-rod'), at(20, 1))).toEqual([])
    expect(places(at(10, 0), refuse('beyond-rod'), at(20, 0))).toEqual([
      [10, 10],
      [20, 20],
    ])
  })

  it('from a fixed pivot single places are square, in a wide slot a stretch is', () => {
    const fixed = whereSquare(contactsAlong(edgePoints, sampleSetup.hold, rodPoseAt(sampleSetup, 'A', 58)))
    // One on the straight, over the pivot, and one where the line from the pivot through the arc's centre meets the
    // belly.
    expect(fixed).toHaveLength(2)
    for (const { fromMm } of fixed) {
      const at = contact(sampleSetup, 'A', 58, edgePointAt(sampleSetup.blade.edge, fromMm))
      expect(at.gaugeDeg).toBeCloseTo(at.edgeAngleDeg, 4)
    }
    const sliding = { ...sampleSetup, rig: slotRig }
    const [stretch] = whereSquare(contactsAlong(edgePoints, sliding.hold, rodPoseAt(sliding, 'A', 58)))
    expect(stretch!.toMm - stretch!.fromMm).toBeGreaterThan(10)
  })
})

describe('why the gauge reads otherwise', () => {
  const use = one('centre-plane')
  const must = contact(sampleSetup).edgeAngleDeg
  const side = (readDeg: number) => ({ edgePoint: straight, pivotHeightMm: 58, readDeg })
  const causes = (a: number, b: number) =>
    likelyCauses(sampleSetup, known, { A: side(must + a), B: side(must + b) }, use)

  it('nothing to explain where it reads as it should', () => {
    expect(causes(0.1, -0.1)).toEqual([])
    expect(likelyCauses(sampleSetup, known, {}, use)).toEqual([])
  })

  it('both sides high alike: a measure they share; one high and one low: the blade’s tilt or centring', () => {
    const alike = causes(0.8, 0.8)[0]
    expect(alike?.by === 'measure' && ['pivot-height', 'setback', 'blade-height'].includes(alike.measure)).toBe(true)
    const opposite = causes(0.8, -0.8)
    expect(opposite.map((cause) => cause.by === 'measure' && cause.measure)).toEqual(['tilt', 'centre-offset'])
  })

  it('low by the primary half-angle on both sides: it was zeroed on the flat; on one alone that is no reason', () => {
    const half = primaryHalfAngleDeg(sampleSetup.blade)
    expect(causes(-half, -half)[0]).toMatchObject({ by: 'zero', zero: 'primary-face' })
    expect(causes(-half, 0).filter((cause) => cause.by === 'zero')).toEqual([])
  })

  it('one side alone can be read, and leaves more open', () => {
    const only = likelyCauses(sampleSetup, known, { A: side(must + 0.8) }, use)
    expect(only.length).toBeGreaterThan(causes(0.8, 0.8).length)
  })

  it('one side alone that differs by more than a gauge is read to is explained, with the other beside it', () => {
    const measures = causes(0.2, 0.1).flatMap((cause) => (cause.by === 'measure' ? [cause] : []))
    expect(measures.map(({ measure }) => measure)).toContain('pivot-height')
    expect(measures.find(({ measure }) => measure === 'pivot-height')!.leavesDeg).toBeCloseTo(0.05, 2)
    expect(causes(0.14, -0.14)).toEqual([])
  })

  it('a reading goes with each measure that is in it as far as the measure goes', () => {
    const moves = readingMoves(sampleSetup, 'A', { edgePoint: straight, pivotHeightMm: 58 }, use)
    const higher = expectedReadingDeg(sampleSetup, 'A', contact(sampleSetup, 'A', 58.5), use)
    expect(moves('pivot-height')).toBeCloseTo((higher - must) / 0.5, 2)
    expect(moves('pivot-height')).toBeGreaterThan(0.2)
    expect(moves('face-shape')).toBe(0)
  })

  it('a gauge that stood off square read too low on all sides, by as much as its turn; never too high', () => {
    const turned = (off: number) =>
      (Math.asin(Math.sin((must * Math.PI) / 180) * Math.cos((off * Math.PI) / 180)) * 180) / Math.PI
    const offSquare = (a: number, b: number) =>
      likelyCauses(sampleSetup, known, { A: side(a), B: side(b) }, use).find(({ by }) => by === 'off-square')
    const named = offSquare(turned(12), turned(12))
    expect(named).toMatchObject({ by: 'off-square', leavesDeg: expect.closeTo(0, 9) as number })
    expect(named?.by === 'off-square' && [named.off, named.times]).toEqual([
      expect.closeTo(12, 6),
      expect.closeTo(12 / 5, 6),
    ])
    expect(offSquare(turned(12), must + 0.3)).toBeUndefined()
    expect(offSquare(turned(4), turned(20))).toBeUndefined()
    expect(offSquare(0, 0)).toBeUndefined()
  })

  it('a gauge on the jaws sees a tilt as itself and as what it does to the angle: it is named with its true amount', () => {
    const tilted = { ...sampleSetup, hold: { ...sampleSetup.hold, tiltDeg: 2 } }
    const read = (of: Side) => side(expectedReadingDeg(tilted, of, contact(tilted, of), one('clamp')))
    const [first] = likelyCauses(sampleSetup, known, { A: read('A'), B: read('B') }, one('clamp')).filter(
      (cause) => cause.by === 'measure' && cause.measure === 'tilt',
    )
    expect(first?.by === 'measure' && first.off).toBeCloseTo(2, 1)
  })

  it('names a single true cause first, unless another needs fewer of its tolerances; the amount is the true one', () => {
    const measures = measuresOf(sampleSetup, known, null).filter(({ id }) => id !== 'face-shape')
    let [told, first] = [0, 0]
    fc.assert(
      fc.property(
        fc.constantFrom(...measures),
        fc.double({ min: 1, max: 6, noNaN: true }),
        fc.boolean(),
        fc.double({ min: 5, max: 90, noNaN: true }),
        (measure, times, more, place) => {
          const edgePoint = edgePointAt(sampleSetup.blade.edge, place)
          const off = measure.tolerance * times * (more ? 1 : -1)
          const read = (of: Side) => {
            const there = benchShifter(sampleSetup, of, 58)({ [measure.id]: off })
            const at = contactAt(edgePoint, there.setup.hold, rodPoseAt(there.setup, of, there.pivotHeightMm))
            fc.pre(at.ok)
            return { edgePoint, pivotHeightMm: 58, readDeg: expectedReadingDeg(there.setup, of, at as Contact, use) }
          }
          const named = likelyCauses(sampleSetup, known, { A: read('A'), B: read('B') }, use)
          const sure = named.flatMap((cause) => (cause.by === 'measure' ? [cause] : []))
          const its = sure.find((cause) => cause.measure === measure.id)
          fc.pre(its !== undefined && named[0]!.by === 'measure')
          expect(Math.abs(its!.off - off)).toBeLessThan(0.25 * Math.abs(off) + 0.05)
          // Where a rival would have to be off by more of its tolerances, it comes behind.
          if (sure.every((cause) => cause === its || cause.times > 1.1 * times)) {
            told++
            first += Number(sure[0] === its)
          }
        },
      ),
      { numRuns: 400, endOnFailure: true },
    )
    expect(told).toBeGreaterThan(40)
    expect(first / told).toBeGreaterThanOrEqual(0.95)
  })
})
