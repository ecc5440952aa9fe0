import { describe, expect, it } from 'vitest'
import type { Blade } from '../../records/blade/blade'
import { contactsAlong, type Contact } from '../../geometry/contact/contact'
import { bladeThere } from '../../records/blade/taper'
import { crossSectionHalf } from '../../records/blade/crossSection'
import { primaryFaceDeg } from '../../records/blade/primaryFace'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { rodPoseAt } from '../../geometry/setup/setup'
import { sampleSetup } from '../../geometry/setup/sampleSetup.fixture'
import { bevelAlong } from './bevelAlong'

const edgePoints = evenEdgePoints(sampleSetup.blade.edge, 40)
const places = edgePoints.map((edgePoint) => edgePoint.fromHeelMm)
const tapering = {
  ...sampleSetup.blade,
  bevelDeg: { A: 20, B: 18 },
  thicknessBehindEdgeTipMm: 0.3,
  spineThicknessTipMm: 1.8,
}
const contacts = contactsAlong(edgePoints, sampleSetup.hold, rodPoseAt(sampleSetup, 'A', 58))
const at = (edgeAngleDeg: number): Contact[] => contacts.map((contact) => ({ ...(contact as Contact), edgeAngleDeg }))
const TAN_20 = Math.tan(Math.PI / 9)
const width = (thickness: number, deg: number) => thickness / 2 / Math.sin((deg * Math.PI) / 180)

describe('the bevel along the edge', () => {
  it('is as wide as half the thickness there over the sine of the angle, and narrows with the blade', () => {
    const there = bevelAlong(tapering, 'A', at(20), places)
    expect(there[0]).toEqual({
      fromHeelMm: 0,
      beforeMm: expect.closeTo(width(0.5, 20), 9),
      afterMm: expect.closeTo(width(0.5, 20), 9),
    })
    expect(there.at(-1)!.beforeMm).toBeCloseTo(width(0.3, 20), 9)
    expect(bevelAlong(tapering, 'B', at(20), places)[0]!.beforeMm).toBeCloseTo(width(0.5, 18), 9)
  })

  it('a steeper angle makes it narrower, a flatter one wider than the shoulder alone would have it', () => {
    const [steeper, flatter] = [
      bevelAlong(tapering, 'A', at(25), places)[0]!,
      bevelAlong(tapering, 'A', at(15), places)[0]!,
    ]
    expect(steeper.afterMm).toBeCloseTo(width(0.5, 25), 9)
    expect(flatter.afterMm).toBeGreaterThan(width(0.5, 15))
  })

  it('runs out on the face as it is drawn: the whole slope of a flank, a hollow, a belly', () => {
    // Where a line through the apex comes out of the drawn half-section, by halving.
    const drawn = (of: Blade, newDeg: number) => {
      const half = crossSectionHalf(of, 20)
      const thickAt = (x: number) => {
        const i = half.findIndex(([at]) => at >= x)
        const [[x0, y0], [x1, y1]] = [half[i - 1]!, half[i]!]
        return y0 + ((x - x0) / (x1 - x0)) * (y1 - y0)
      }
      const slope = Math.tan((newDeg * Math.PI) / 180)
      let [inside, outside] = [half[1]![0], 20]
      while (outside - inside > 1e-9) {
        const middle = (inside + outside) / 2
        if (thickAt(middle) > middle * slope) inside = middle
        else outside = middle
      }
      return Math.hypot(inside, inside * slope)
    }
    const even = { ...tapering, bevelDeg: { A: 20, B: 20 }, thicknessBehindEdgeTipMm: null, spineThicknessTipMm: null }
    for (const of of [
      { ...even, bevels: 'A' as const },
      { ...even, grind: 'hollow' as const },
      { ...even, grind: 'convex' as const },
      even,
    ]) {
      const { afterMm } = bevelAlong(of, 'A', at(12), places)[0]!
      // The drawing has four chords where the face is a parabola.
      expect(Math.abs(afterMm! - drawn(of, 12))).toBeLessThan(0.1)
    }
    const widths = (['hollow', 'flat', 'convex'] as const).map(
      (grind) => bevelAlong({ ...even, grind }, 'A', at(12), places)[0]!.afterMm!,
    )
    expect(widths).toEqual([...widths].sort((a, b) => a - b))
  })

  it('says nothing where there is no angle, and nothing of a bevel that was not proved', () => {
    const refused = bevelAlong(tapering, 'A', [{ ok: false, code: 'beyond-rod', figures: { limitMm: 400 } }], [0])
    expect(refused[0]!.afterMm).toBeNull()
    expect(bevelAlong({ ...tapering, bevelDeg: null }, 'A', at(20), places)[0]!.beforeMm).toBeNull()
  })
})

describe('the section of a blade', () => {
  it('has the edge angle at its apex, its shoulder behind it and the spine at its back', () => {
    const [apex, shoulder] = crossSectionHalf(sampleSetup.blade, 20)
    expect(apex).toEqual([0, 0])
    expect((Math.atan2(shoulder![1], shoulder![0]) * 180) / Math.PI).toBeCloseTo(20, 9)
    expect(shoulder![1]).toBe(0.25)
    expect(crossSectionHalf(sampleSetup.blade, 20).at(-1)).toEqual([28, 1.5])
    expect(crossSectionHalf({ ...sampleSetup.blade, bevels: 'A' }, 20).at(-1)).toEqual([28, 3])
  })

  it('its thicknesses run straight from heel to tip, and its flat falls by the primary half-angle', () => {
    expect(bladeThere(tapering, 0.5)).toMatchObject({
      spineThicknessMm: expect.closeTo(2.4, 9),
      thicknessBehindEdgeMm: expect.closeTo(0.4, 9),
    })
    expect(primaryFaceDeg(sampleSetup.blade, 'B')).toBeCloseTo(
      (Math.atan(1.25 / (26 - 0.25 / TAN_20)) * 180) / Math.PI,
      9,
    )
    expect(primaryFaceDeg({ ...sampleSetup.blade, bevels: 'A' }, 'B')).toBe(0)
    expect(primaryFaceDeg({ ...sampleSetup.blade, bevels: 'A' }, 'A')).toBeCloseTo(
      (Math.atan(2.5 / (26 - 0.5 / TAN_20)) * 180) / Math.PI,
      9,
    )
    // A bevel that was proved says better where the shoulder lies; the drawn section has the same slope.
    const proved = { ...sampleSetup.blade, bevelDeg: { A: 14, B: 16 } }
    const [, shoulder, end] = crossSectionHalf(proved, 15)
    expect(primaryFaceDeg(proved, 'A')).toBeCloseTo(
      (Math.atan2(end![1] - shoulder![1], end![0] - shoulder![0]) * 180) / Math.PI,
      9,
    )
  })
})
