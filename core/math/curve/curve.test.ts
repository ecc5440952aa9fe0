import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checked } from '../../schema/problem'
import { curveLength, parameterAtLength, segmentLength } from './arcLength'
import { curve } from './curve'
import { restOf } from './restOf'
import type { Segment } from './segment'
import { segmentAt } from './segmentAt'
import { smoothed } from './smoothed'
import { evenEdgePoints, edgePointAt } from './edgePoints'
import { svgPath } from './svgPath'

const line: Segment = { type: 'line', from: [0, 28], to: [55, 28] }
const belly: Segment = { type: 'arc', centre: [55, -17], radiusMm: 45, startDeg: 90, endDeg: 35 }
const kitchen: Segment = {
  type: 'bezier',
  points: [
    [0, 46],
    [80, 49],
    [150, 44],
    [205, 12],
  ],
}
const coordinate = fc.double({ min: -200, max: 200, noNaN: true })
const place = fc.tuple(coordinate, coordinate)

describe('edge curves', () => {
  it('lengths: a line and an arc exactly, a Bézier as known to nine figures', () => {
    expect(curveLength([line, belly])).toBeCloseTo(55 + (45 * 55 * Math.PI) / 180, 9)
    expect(curveLength([kitchen])).toBeCloseTo(210.583761, 6)
  })

  it('a Bézier with its handles on its chord is that chord', () => {
    const straight: Segment = {
      type: 'bezier',
      points: [
        [0, 0],
        [10, 0],
        [20, 0],
        [30, 0],
      ],
    }
    expect(segmentLength(straight)).toBeCloseTo(30, 12)
    expect(parameterAtLength(straight, 15)).toBeCloseTo(0.5, 9)
  })

  it('the heading is a unit vector and the derivative of the point, on any Bézier', () => {
    fc.assert(
      fc.property(place, place, place, place, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (a, b, c, d, t) => {
        const s: Segment = { type: 'bezier', points: [a, b, c, d] }
        const [before, at, after] = [segmentAt(s, t - 1e-5), segmentAt(s, t), segmentAt(s, t + 1e-5)]
        const step = [after.point[0] - before.point[0], after.point[1] - before.point[1]] as const
        const size = Math.hypot(...step)
        fc.pre(size > 1e-4)
        expect(Math.hypot(...at.heading)).toBeCloseTo(1, 9)
        expect((step[0] * at.heading[0] + step[1] * at.heading[1]) / size).toBeCloseTo(1, 4)
      }),
    )
  })

  it('a handle drawn into its end still has a heading', () => {
    const pinched: Segment = {
      type: 'bezier',
      points: [
        [0, 0],
        [0, 0],
        [20, 10],
        [30, 0],
      ],
    }
    expect(segmentAt(pinched, 0).heading[0]).toBeCloseTo(20 / Math.hypot(20, 10), 9)
  })

  it('stations are even in arc length across corners and kinds of piece', () => {
    const edgePoints = evenEdgePoints([line, belly], 101)
    const gaps = edgePoints.slice(1).map((s, i) => s.fromHeelMm - edgePoints[i]!.fromHeelMm)
    for (const gap of gaps) expect(gap).toBeCloseTo(curveLength([line, belly]) / 100, 9)
    expect(edgePoints[100]!.point[0]).toBeCloseTo(segmentAt(belly, 1).point[0], 9)
    expect(edgePointAt([kitchen], 1e9).point).toEqual([205, 12])
  })

  it('the rest of a curve is as long as what is left, and lies where the whole one does', () => {
    const whole: Segment[] = [line, belly]
    fc.assert(
      fc.property(fc.constantFrom(whole, [kitchen]), fc.double({ min: 0.01, max: 0.98, noNaN: true }), (of, share) => {
        const total = curveLength(of)
        const rest = restOf(of, share * total)
        expect(curveLength(rest)).toBeCloseTo((1 - share) * total, 6)
        for (const more of [0, 0.4, 1]) {
          const [here, there] = [
            edgePointAt(rest, more * (1 - share) * total),
            edgePointAt(of, (share + more * (1 - share)) * total),
          ]
          expect(Math.hypot(here.point[0] - there.point[0], here.point[1] - there.point[1])).toBeLessThan(1e-6)
        }
      }),
    )
  })

  it('bends drawn as many short lines become few pieces; facets, corners and long lines stay', () => {
    const steps: Segment[] = Array.from({ length: 40 }, (_, i) => ({
      type: 'line',
      from: [...segmentAt(belly, i / 40).point],
      to: [...segmentAt(belly, (i + 1) / 40).point],
    }))
    const { segments, residualMm } = smoothed([line, ...steps], 0.005)
    expect(segments).toEqual([line, expect.objectContaining({ type: 'arc', radiusMm: expect.closeTo(45, 3) })])
    expect(residualMm).toBeLessThan(0.005)
    const facets: Segment[] = [line, { type: 'line', from: [55, 28], to: [90, 7] }]
    expect(smoothed(facets, 0.005)).toEqual({ segments: facets, residualMm: 0 })
  })

  it('refuses a gap and a piece without length, naming the piece', () => {
    const gapMm = expect.closeTo(1, 6) as number
    expect(checked(curve, [line, { ...belly, centre: [56, -17] }])).toMatchObject({
      ok: false,
      problems: [{ field: '1', code: 'gap-before-piece', figures: { piece: 2, before: 1, gapMm } }],
    })
    expect(checked(curve, [{ ...line, to: [0, 28] }])).toMatchObject({
      ok: false,
      problems: [{ field: '0', code: 'piece-without-length', figures: { piece: 1 } }],
    })
    expect(curve.safeParse([line, belly]).success).toBe(true)
  })

  it('draws itself as an SVG path', () => {
    expect(svgPath([line, belly])).toBe('M0 28 L55 28 A45 45 0 0 0 91.862 8.811')
  })
})
