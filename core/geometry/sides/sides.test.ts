import { describe, expect, it } from 'vitest'
import { contactAt } from '../contact/contact'
import { primaryHalfAngleDeg } from '../../records/blade/primaryHalfAngle'
import { grippedCentrePlane } from '../clamping/centring'
import { evenEdgePoints, edgePointAt } from '../../math/curve/edgePoints'
import { settingOfHeight } from '../../records/rig/dial'
import { evaluate } from '../../uncertainty/evaluate'
import { rodPoseAt, type Setup } from '../setup/setup'
import { armsRig, sampleSetup, tableRig } from '../setup/sampleSetup.fixture'
import { clampOrBlade, offsetFromEdgeHeights, offsetFromStoneReadings, tiltFromFlats } from './findCentring'
import { sideDifference } from './sideDifference'

const edgePoint = edgePointAt(sampleSetup.blade.edge, 40)
const off: Setup = { ...sampleSetup, hold: { ...sampleSetup.hold, centreOffsetMm: 0.4, tiltDeg: 0.6 } }
const dial = (heightMm: number) => settingOfHeight(sampleSetup.rig, heightMm)
const alike = { A: dial(58), B: dial(58) }

describe('how far the sides differ', () => {
  it('is nothing on a centred blade, and with both errors their sum', () => {
    expect(sideDifference(sampleSetup, alike, edgePoint)).toEqual({ differenceDeg: 0, shares: [] })
    const { differenceDeg, shares } = sideDifference(off, alike, edgePoint)
    expect(differenceDeg).toBeCloseTo(23.0472093 - 22.3865573, 6)
    expect(shares.map((share) => share.cause)).toEqual(['tilt', 'centre-offset'])
    expect(shares.reduce((sum, share) => sum + share.deg, 0)).toBeCloseTo(differenceDeg!, 2)
  })

  it('tells unequal arms and unequal dials apart', () => {
    const { shares } = sideDifference(
      { ...sampleSetup, rig: armsRig },
      { A: settingOfHeight(armsRig, 58), B: settingOfHeight(armsRig, 56) },
      edgePoint,
    )
    expect(shares.map((share) => share.cause).sort()).toEqual(['arms', 'dials'])
  })

  it('a pivot beside the middle makes turned sides differ, and two arms of the same place do not', () => {
    const beside = { ...sampleSetup, rig: { ...sampleSetup.rig, pivot: { ...sampleSetup.rig.pivot, alongMm: 30 } } }
    const turned = { ...beside, hold: { ...beside.hold, turnDeg: 4 } }
    const { differenceDeg, shares } = sideDifference(turned, alike, edgePoint)
    const angle = (side: 'A' | 'B') => {
      const contact = contactAt(edgePoint, turned.hold, rodPoseAt(turned, side, 58))
      return contact.ok ? contact.edgeAngleDeg : NaN
    }
    expect(differenceDeg).toBeCloseTo(angle('A') - angle('B'), 9)
    expect(shares.map((share) => share.cause)).toEqual(['pivot-along'])
    expect(shares[0]!.deg).toBeCloseTo(differenceDeg!, 9)
  })

  it('tells the largest share first, each signed, and none that a look cannot see', () => {
    const { shares } = sideDifference(off, { A: dial(58), B: dial(62) }, edgePoint)
    expect(shares.map(({ cause, deg }) => [cause, Math.sign(deg)])).toEqual([
      ['dials', -1],
      ['tilt', 1],
      // The edge lies nearer to the rod on A: flatter there.
      ['centre-offset', -1],
    ])
    const hardly = { ...sampleSetup, hold: { ...sampleSetup.hold, tiltDeg: 0.002 } }
    expect(sideDifference(hardly, alike, edgePoint).shares).toEqual([])
  })

  it('knows no difference where one side has no angle', () => {
    const short = { ...sampleSetup, rig: { ...sampleSetup.rig, rodLengthMm: 30 } }
    expect(sideDifference(short, alike, edgePoint)).toEqual({ differenceDeg: null, shares: [] })
    const shortOnB = { ...sampleSetup, rig: { ...armsRig, pivotB: { setbackMm: 400, alongMm: 0, overScaleMm: 0 } } }
    expect(sideDifference(shortOnB, alike, edgePoint)).toEqual({ differenceDeg: null, shares: [] })
  })

  it('a table rest on faces of unequal slope differs by twice the half-difference', () => {
    const uneven = { ...sampleSetup, rig: tableRig, hold: { ...sampleSetup.hold, tiltDeg: 0.5 } }
    const { differenceDeg } = sideDifference(
      uneven,
      { A: settingOfHeight(tableRig, 58), B: settingOfHeight(tableRig, 58) },
      edgePoint,
    )
    expect(Math.abs(differenceDeg!)).toBeCloseTo(1, 1)
  })
})

describe('finding the centring error', () => {
  const half = primaryHalfAngleDeg(sampleSetup.blade)
  const tilts = { A: grippedCentrePlane(off.hold, 'A'), B: grippedCentrePlane(off.hold, 'B') }

  it('by the gauge on the flats: half their difference is the tilt, half their sum the primary half-angle', () => {
    const found = tiltFromFlats({ A: tilts.A.tiltDeg - half, B: tilts.B.tiltDeg - half })
    expect(found.tiltDeg).toBeCloseTo(0.6, 9)
    expect(found.halfAngleDeg).toBeCloseTo(half, 9)
  })

  it('by turning over: half the difference of the edge’s heights, less what the tilt lifts', () => {
    const edgeOver = ({ offsetMm, tiltDeg }: { offsetMm: number; tiltDeg: number }) =>
      40 + offsetMm + 28 * Math.sin((tiltDeg * Math.PI) / 180)
    expect(offsetFromEdgeHeights({ A: edgeOver(tilts.A), B: edgeOver(tilts.B) }, 28, 0.6)).toBeCloseTo(0.4, 9)
  })

  it('by the gauge on the stone: the offset that gives both readings', () => {
    const read = (['A', 'B'] as const).map((side) => {
      const contact = contactAt(edgePoint, off.hold, rodPoseAt(off, side, 58))
      return contact.ok ? contact.gaugeDeg : NaN
    })
    const unknown = { ...off, hold: { ...off.hold, centreOffsetMm: 0 } }
    const found = offsetFromStoneReadings(unknown, { A: 58, B: 58 }, edgePoint, { A: read[0]!, B: read[1]! }, 'two')
    expect(found.ok && found.centreOffsetMm).toBeCloseTo(0.4, 6)
    const explain = (setup: Setup, A: number) =>
      offsetFromStoneReadings(setup, { A: 58, B: 58 }, edgePoint, { A, B: read[1]! }, 'two')
    // 15 degrees apart would need the edge more than a centimetre off the middle.
    expect(explain(unknown, read[1]! + 15)).toMatchObject({ ok: false, code: 'angle-out-of-range' })
    expect(explain(unknown, NaN)).toMatchObject({ ok: false, code: 'angle-out-of-range' })
    const short = { ...unknown, rig: { ...unknown.rig, rodLengthMm: 30 } }
    expect(explain(short, read[0]!)).toMatchObject({ ok: false, code: 'beyond-rod' })
  })

  it('tells the clamp’s part from the blade’s by turning the blade alone', () => {
    expect(clampOrBlade(0.5, 0.1)).toEqual({ clamp: 0.3, blade: 0.2 })
  })

  it('and the correction brings both sides to the wanted angle', () => {
    const edgePoints = evenEdgePoints(off.blade.edge, 50)
    const known = {
      bladeHeightToleranceMm: 0.5,
      holdTolerance: { alongMm: 0, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 },
    }
    const e = evaluate(
      off,
      { dialled: { A: dial(57), B: dial(59), linked: false }, dialForMm: 40, ...known },
      edgePoints,
    )
    const [a, b] = [e.sides.A, e.sides.B]
    expect(a.ok && b.ok && a.contact.edgeAngleDeg - b.contact.edgeAngleDeg).toBeLessThan(0.1)
  })
})
