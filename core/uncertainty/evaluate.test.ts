import { describe, expect, it } from 'vitest'
import { primaryHalfAngleDeg } from '../records/blade/primaryHalfAngle'
import { moved, edgePointOverJaws } from '../geometry/clamping/bladeHeight'
import { clampFrame, toBladeFrame, toClampFrame } from '../geometry/clamping/clampFrame'
import { evenEdgePoints } from '../math/curve/edgePoints'
import { settingOfHeight } from '../records/rig/dial'
import { evaluate, type Evaluation, type SideSet } from './evaluate'
import type { Setup } from '../geometry/setup/setup'
import { armsRig, bellyBlade, postRig, sampleSetup, tableRig } from '../geometry/setup/sampleSetup.fixture'

const edgePoints = evenEdgePoints(bellyBlade.edge, 400)
const at = (setup: Setup, heightMm: number, placeMm: number | null = null, heightB = heightMm): Evaluation =>
  evaluate(
    setup,
    {
      dialled: { A: settingOfHeight(setup.rig, heightMm), B: settingOfHeight(setup.rig, heightB), linked: true },
      dialForMm: null,
      ...wellHeld,
    },
    edgePoints,
    placeMm,
  )
/** Only how far out the blade stands is uncertain. */
const wellHeld = {
  bladeHeightToleranceMm: 0.5,
  holdTolerance: { alongMm: 0, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 },
}
const side = (e: Evaluation, s: 'A' | 'B'): SideSet => {
  const found = e.sides[s]
  if (!found.ok) throw new Error(found.code)
  return found
}

describe('the set angle of a job', () => {
  it('looks at the edge over the middle of the jaws unless told otherwise', () => {
    const e = at(sampleSetup, 58)
    expect(e.edgePoint.fromHeelMm).toBeCloseTo(40, 6)
    expect(e.bladeHeightMm).toBeCloseTo(28, 9)
    expect(side(e, 'A').contact.edgeAngleDeg).toBeCloseTo(22.7171927, 6)
    expect(side(at(sampleSetup, 58, 80), 'A').contact.edgeAngleDeg).toBeGreaterThan(23)
  })

  it('off centre, one side gains about what the other loses', () => {
    const e = at({ ...sampleSetup, hold: { ...sampleSetup.hold, centreOffsetMm: 0.4, tiltDeg: 0.6 } }, 58)
    expect(side(e, 'A').contact.edgeAngleDeg).toBeCloseTo(23.0472093, 6)
    expect(side(e, 'B').contact.edgeAngleDeg).toBeCloseTo(22.3865573, 6)
    expect(e.includedDeg).toBeCloseTo(23.0472093 + 22.3865573, 6)
  })

  it('on a table the primary half-angle comes off, the same on both sides', () => {
    const half = primaryHalfAngleDeg(bellyBlade)
    const e = at({ ...sampleSetup, rig: tableRig }, 58)
    // The table is the line through the shoulder of a 20° bevel and the end of the grind; the apex stands so far over
    // it.
    const [shoulder, end] = [
      [0.25 / Math.tan(Math.PI / 9), 0.25],
      [26, 1.5],
    ] as const
    const [run0, rise0] = [end[0] - shoulder[0], end[1] - shoulder[1]]
    const apex = (shoulder[1] * run0 - shoulder[0] * rise0) / Math.hypot(run0, rise0)
    expect(half).toBeCloseTo((Math.atan2(rise0, run0) * 180) / Math.PI, 9)
    const run = 95 + 28 * Math.cos((half * Math.PI) / 180)
    const toTable =
      (Math.atan2(58 - apex, run) * 180) / Math.PI - (Math.asin(6 / Math.hypot(58 - apex, run)) * 180) / Math.PI
    expect(side(e, 'A').contact.edgeAngleDeg).toBeCloseTo(toTable - half, 6)
    expect(side(e, 'B').contact.edgeAngleDeg).toBeCloseTo(toTable - half, 6)
  })

  it('each arm of an upright rig has its own place and setting', () => {
    const e = at({ ...sampleSetup, rig: armsRig }, 58, null, 50)
    expect(side(e, 'A').contact.edgeAngleDeg).toBeCloseTo(22.7171927, 6)
    expect(side(e, 'B').contact.foot).toEqual([2, -97])
    expect(side(e, 'B').pivotHeightMm).toBe(50)
  })

  it('a blade with one bevel has that side’s angle as its included angle', () => {
    const e = at({ ...sampleSetup, blade: { ...bellyBlade, bevels: 'A' } }, 58)
    expect(e.includedDeg).toBeCloseTo(22.7171927, 6)
  })

  it('has no included angle, and a reason, when a side has none', () => {
    const e = at({ ...sampleSetup, stone: { ...sampleSetup.stone, faceOffsetMm: 25 } }, 24)
    expect(e.includedDeg).toBeNull()
    expect(e.sides.A).toEqual({ ok: false, code: 'pivot-below-face', figures: { limitMm: 25 } })
  })

  it('the uncertainty is what moving each length by its tolerance does, in quadrature', () => {
    const base = side(at(sampleSetup, 58), 'A')
    const shifts = [
      side(at(sampleSetup, 58.3), 'A'),
      side(
        at({ ...sampleSetup, rig: { ...postRig, pivot: { setbackMm: 95.5, alongMm: 0, overScaleMm: 0 } } }, 58),
        'A',
      ),
      side(at({ ...sampleSetup, hold: moved(sampleSetup.hold, 0, 0.5) }, 58), 'A'),
      side(at({ ...sampleSetup, stone: { ...sampleSetup.stone, faceOffsetMm: 6.1 } }, 58), 'A'),
    ].map((other) => other.contact.edgeAngleDeg - base.contact.edgeAngleDeg)
    expect(base.uncertaintyDeg).toBeCloseTo(Math.hypot(...shifts), 3)
    const largestFirst = shifts.map(Math.abs).sort((a, b) => b - a)
    largestFirst.forEach((shift, i) => expect(base.budget[i]!.shareDeg).toBeCloseTo(shift, 2))
    expect(base.budget[0]!.id).toBe('pivot-height')
  })

  it('knows the lowest angle that clears the jaws', () => {
    // Half as thick as they are nearly closed, and half of the 3 mm between them.
    expect(side(at(sampleSetup, 58), 'A').lowestOverJawsDeg).toBeCloseTo((Math.atan2(4 + 1.5, 28) * 180) / Math.PI, 9)
    expect(side(at({ ...sampleSetup, rig: tableRig }, 58), 'A').lowestOverJawsDeg).toBeNull()
  })
})

describe('how the blade is held', () => {
  const turned = { ...sampleSetup.hold, turnDeg: 12, bladeYMm: 3 }

  it('blade frame and clamp frame are each other’s inverse', () => {
    const [x, y] = toBladeFrame(toClampFrame([70, 20], clampFrame(turned)), clampFrame(turned))
    expect([x, y].map((n) => Math.round(n * 1e9) / 1e9)).toEqual([70, 20])
  })

  it('moving the blade moves every point of it by as much, whatever its turn', () => {
    const [u, v] = toClampFrame([70, 20], clampFrame(turned))
    const after = toClampFrame([70, 20], clampFrame(moved(turned, 7, -2)))
    expect(after[0] - u).toBeCloseTo(7, 9)
    expect(after[1] - v).toBeCloseTo(-2, 9)
  })

  it('takes the end nearer to the jaws where the edge does not pass over them', () => {
    expect(edgePointOverJaws(bellyBlade.edge, edgePoints, { ...turned, bladeXMm: -50 }).fromHeelMm).toBe(0)
  })
})
