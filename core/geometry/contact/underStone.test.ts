import { describe, expect, it } from 'vitest'
import { SHAPES } from '../../records/blade/shapes'
import type { Curve } from '../../math/curve/curve'
import { evenEdgePoints, edgePointAt, type EdgePoint } from '../../math/curve/edgePoints'
import { dot, leftOf, subtract } from '../../math/vector/vec2'
import { seatUnder } from './underStone'

/** A hollow of radius 60 between two straight parts, the bend running on into them. */
const hollow: Curve = [
  { type: 'line', from: [0, 20], to: [40, 20] },
  { type: 'arc', centre: [40, 80], radiusMm: 60, startDeg: 270, endDeg: 330 },
  {
    type: 'line',
    from: [40 + 60 * Math.sin(Math.PI / 3), 50],
    to: [110, 50 + Math.sqrt(3) * (70 - 30 * Math.sqrt(3))],
  },
]
const far = (from: EdgePoint, to: EdgePoint) => {
  const away = subtract(to.point, from.point)
  return { along: dot(away, from.heading), out: dot(away, leftOf(from.heading)) }
}

describe('a flat stone over an edge', () => {
  it('stands on its two sides in a hollow, as far off its middle as the circle falls away', () => {
    const seat = seatUnder(hollow, 20)!
    for (const fromHeelMm of [55, 70, 85]) {
      const place = edgePointAt(hollow, fromHeelMm)
      const seated = seat(place)
      expect(seated.heading[0]).toBeCloseTo(place.heading[0], 4)
      expect(far(place, seated).out).toBeCloseTo(60 - Math.sqrt(60 ** 2 - 10 ** 2), 3)
      expect(far(place, seated).along).toBeCloseTo(0, 9)
      expect(seated.fromHeelMm).toBe(fromHeelMm)
    }
  })

  it('at the two ends of a hollow edge lies on the chord that it lies on just beside them', () => {
    const arc: Curve = [{ type: 'arc', centre: [40, 80], radiusMm: 60, startDeg: 240, endDeg: 300 }]
    const lengthMm = (60 * Math.PI) / 3
    const seat = seatUnder(arc, 20)!
    for (const [end, beside] of [
      [0, 0.05],
      [lengthMm, lengthMm - 0.05],
    ] as const) {
      const [there, near] = [seat(edgePointAt(arc, end)), seat(edgePointAt(arc, beside))]
      expect(dot(there.heading, near.heading)).toBeGreaterThan(Math.cos(0.002))
      // The chord of half a stone's width, 10 mm of 60, lies half its arc off the tangent.
      const turned = Math.acos(dot(there.heading, edgePointAt(arc, end).heading))
      expect(turned).toBeCloseTo(Math.asin(10 / 60) / 2, 2)
    }
  })

  it('lies on every place of an edge without a hollow, and of a straight part further from one than half its width', () => {
    const convex = SHAPES['long-kitchen'].build(SHAPES['long-kitchen'].usual).edge
    expect(seatUnder(convex, 25)).toBeNull()
    const straight = edgePointAt(hollow, 29)
    expect(seatUnder(hollow, 20)!(straight)).toEqual(straight)
    expect(seatUnder(hollow, 24)!(straight)).not.toEqual(straight)
  })

  it.each(['recurved', 'hooked'] as const)('%s: nothing of the edge under it stands out of its face', (id) => {
    const { edge } = SHAPES[id].build(SHAPES[id].usual)
    const widthMm = 18
    const seat = seatUnder(edge, widthMm)!
    const edgePoints = evenEdgePoints(edge, 1201)
    let bridged = 0
    for (const place of edgePoints.filter((_, i) => i % 7 === 0)) {
      const seated = seat(place)
      const touching: number[] = []
      for (const at of edgePoints) {
        const near = Math.abs(at.fromHeelMm - place.fromHeelMm) < widthMm
        if (!near || Math.abs(far(place, at).along) > widthMm / 2) continue
        const { along, out } = far(seated, at)
        if (seated !== place) expect(out).toBeLessThan(0.002)
        if (out > -0.05) touching.push(along)
      }
      if (seated === place) continue
      bridged++
      // It touches on either side of its middle, or under it at an end of the edge.
      const [from, to] = [Math.min(...touching), Math.max(...touching)]
      expect(from).toBeLessThanOrEqual(0)
      expect(to).toBeGreaterThanOrEqual(0)
      expect(to - from).toBeGreaterThan(1)
    }
    expect(bridged).toBeGreaterThan(5)
  })
})
