import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { evenEdgePoints, edgePointAt } from '../../math/curve/edgePoints'
import { bellyBlade, sampleSetup } from '../setup/sampleSetup.fixture'
import { bladeHeightMm, moved, edgePointOverJaws } from './bladeHeight'
import { perSide } from '../../records/common/side'
import { grippedCentrePlane, pivotOverBlade } from './centring'
import { clampFrame, holdWith, toBladeFrame, toClampFrame } from './clampFrame'
import type { ClampPosition } from '../../records/job/clampPosition'

const hold: ClampPosition = { bladeXMm: 40, bladeYMm: 0, turnDeg: 0, centreOffsetMm: 0.4, tiltDeg: 0.6 }
const number = (most: number) => fc.double({ min: -most, max: most, noNaN: true })

describe('the frame of the clamp', () => {
  it('turns the tip out for a positive turn, and back again', () => {
    const frame = clampFrame({ ...hold, turnDeg: 90 })
    const [u, v] = toClampFrame([50, 3], frame)
    expect([u, v]).toEqual([expect.closeTo(-3, 9), expect.closeTo(10, 9)])
    fc.assert(
      fc.property(number(300), number(60), number(80), (x, y, turnDeg) => {
        const turned = clampFrame({ ...hold, bladeYMm: 7, turnDeg })
        const [backX, backY] = toBladeFrame(toClampFrame([x, y], turned), turned)
        expect(Math.hypot(backX - x, backY - y)).toBeLessThan(1e-9)
      }),
    )
  })

  it('a hold by a point puts that point there, its turn kept; moving moves by so much', () => {
    fc.assert(
      fc.property(number(100), number(40), number(80), (along, out, turnDeg) => {
        const turned = { ...hold, turnDeg }
        const at = holdWith([30, 12], [along, out], turned)
        const [u, v] = toClampFrame([30, 12], clampFrame(at))
        expect(Math.hypot(u - along, v - out)).toBeLessThan(1e-9)
        expect(at).toMatchObject({ turnDeg, centreOffsetMm: 0.4, tiltDeg: 0.6 })
        const before = toClampFrame([5, 6], clampFrame(turned))
        const after = toClampFrame([5, 6], clampFrame(moved(turned, along, out)))
        expect(Math.hypot(after[0] - before[0] - along, after[1] - before[1] - out)).toBeLessThan(1e-9)
      }),
    )
  })
})

describe('the place of the edge over the jaws', () => {
  const edgePoints = evenEdgePoints(bellyBlade.edge, 20)

  it('is where the edge passes their middle, between edge points', () => {
    const over = edgePointOverJaws(bellyBlade.edge, edgePoints, sampleSetup.hold)
    expect(toClampFrame(over.point, clampFrame(sampleSetup.hold))[0]).toBeCloseTo(0, 6)
    expect(bladeHeightMm(over, sampleSetup.hold)).toBeCloseTo(28, 9)
    expect(over.fromHeelMm).toBeCloseTo(40, 6)
    const there = { ...hold, bladeXMm: edgePoints[3]!.point[0] }
    expect(edgePointOverJaws(bellyBlade.edge, edgePoints, there).fromHeelMm).toBeCloseTo(edgePoints[3]!.fromHeelMm, 9)
  })

  it('is the nearer end where the edge does not pass them', () => {
    const [heel, tip] = [edgePoints[0], edgePoints.at(-1)]
    expect(edgePointOverJaws(bellyBlade.edge, edgePoints, { ...hold, bladeXMm: -30 })).toBe(heel)
    expect(edgePointOverJaws(bellyBlade.edge, edgePoints, { ...hold, bladeXMm: 400 })).toBe(tip)
    expect(edgePointAt(bellyBlade.edge, 0)).toEqual(heel)
  })
})

describe('the blade between the jaws', () => {
  it('stands off the middle to one side, and once turned over to the other', () => {
    expect(perSide((side) => grippedCentrePlane(hold, side))).toEqual({
      A: { offsetMm: 0.4, tiltDeg: 0.6, axisTurnDeg: 0 },
      B: { offsetMm: -0.4, tiltDeg: -0.6, axisTurnDeg: 0 },
    })
  })

  it('sees the pivot from its own plane: as far away, and higher by what lies between them', () => {
    const pivot = { u: 12, v: -95, w: 58 }
    expect(pivotOverBlade(pivot, { offsetMm: 3, tiltDeg: 0, axisTurnDeg: 0 })).toEqual({ u: 12, v: -95, w: 55 })
    fc.assert(
      fc.property(number(5), number(10), number(60), (offsetMm, tiltDeg, axisTurnDeg) => {
        const { u, v, w } = pivotOverBlade(pivot, { offsetMm, tiltDeg, axisTurnDeg })
        const origin = Math.hypot(12, 95, 58 - offsetMm)
        expect(Math.hypot(u, v, w)).toBeCloseTo(origin, 9)
        // By the plane's normal: (0, 0, 1) tilted about its axis.
        const [turn, tilt] = [(axisTurnDeg * Math.PI) / 180, (tiltDeg * Math.PI) / 180]
        const normal = [Math.sin(turn) * Math.sin(tilt), -Math.cos(turn) * Math.sin(tilt), Math.cos(tilt)] as const
        expect(w).toBeCloseTo(normal[0] * 12 + normal[1] * -95 + normal[2] * (58 - offsetMm), 9)
        // Along the axis nothing changes.
        const along = (x: number, y: number) => x * Math.cos(turn) + y * Math.sin(turn)
        expect(along(u, v)).toBeCloseTo(along(12, -95), 9)
      }),
    )
  })
})
