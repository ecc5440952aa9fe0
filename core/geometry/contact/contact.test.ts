import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Side } from '../../records/common/side'
import { grippedCentrePlane, pivotOverBlade } from '../clamping/centring'
import type { ClampPosition } from '../../records/job/clampPosition'
import type { Segment } from '../../math/curve/segment'
import { segmentAt } from '../../math/curve/segmentAt'
import { evenEdgePoints, type EdgePoint } from '../../math/curve/edgePoints'
import { rotate } from '../../math/vector/vec2'
import { contactAt, strokeMm, contactsAlong, type RodPose } from './contact'
import { edgeAngle, heightForAngleMm } from '../../math/edgeAngle/edgeAngle'
import { refuse } from '../../schema/refusal'
import { secantRoot } from './solve'
import reference from './fixtures/edge-angle.json'

type Numbers = number[]
const pair = (p: Numbers): [number, number] => [p[0]!, p[1]!]

function segmentOf([type, ...p]: (string | number | Numbers)[]): Segment {
  if (type === 'line') return { type, from: pair(p[0] as Numbers), to: pair(p[1] as Numbers) }
  if (type === 'arc')
    return {
      type,
      centre: pair(p[0] as Numbers),
      radiusMm: p[1] as number,
      startDeg: p[2] as number,
      endDeg: p[3] as number,
    }
  const [a, b, c, d] = (p as Numbers[]).map(pair)
  return { type: 'bezier', points: [a!, b!, c!, d!] }
}

const heldOf = (m: {
  bladeX: number
  bladeY: number
  turnDeg?: number
  centreOffset?: number
  tiltDeg?: number
}): ClampPosition => ({
  bladeXMm: m.bladeX,
  bladeYMm: m.bladeY,
  turnDeg: m.turnDeg ?? 0,
  centreOffsetMm: m.centreOffset ?? 0,
  tiltDeg: m.tiltDeg ?? 0,
})

const straight: EdgePoint = { fromHeelMm: 0, point: [45, 30], heading: [1, 0] }
const centred: ClampPosition = { bladeXMm: 45, bladeYMm: 0, turnDeg: 0, centreOffsetMm: 0, tiltDeg: 0 }
const over = (w: number, faceOffsetMm = 6, u = 0, v = -95): RodPose => ({
  pivot: { u, v, w },
  slideMm: 0,
  faceOffsetMm,
  rodLengthMm: 1000,
  stoneLengthMm: 150,
})

describe('the brute-force reference cases', () => {
  for (const c of reference.cases) {
    it(c.name, () => {
      const hold = heldOf(c.mount)
      for (const s of c.stations) {
        const { point, heading } = segmentAt(segmentOf(c.edge[s.segment]!), s.t)
        const pivot = pivotOverBlade(
          { u: c.pivot[0]!, v: c.pivot[1]!, w: c.pivot[2]! },
          grippedCentrePlane(hold, s.side as Side),
        )
        const over: RodPose = { pivot, slideMm: 0, faceOffsetMm: c.faceOffset, rodLengthMm: 1000, stoneLengthMm: 150 }
        // The search took its tangents by differences: at the ends of arcs they are off by up to 3e-5°. Ours agree to
        // that, and from the search's own tangent the angles agree to 1e-6°.
        const turn = hold.turnDeg
        expect(Math.abs((Math.atan2(heading[1], heading[0]) * 180) / Math.PI + turn - s.headingDeg)).toBeLessThan(3e-5)
        const sought = rotate([1, 0], ((s.headingDeg - turn) * Math.PI) / 180)
        const contact = contactAt({ fromHeelMm: 0, point, heading: sought }, hold, over)
        if (!contact.ok) throw new Error(contact.code)
        expect(Math.abs(contact.point[0] - s.u)).toBeLessThan(1e-6)
        expect(Math.abs(contact.point[1] - s.v)).toBeLessThan(1e-6)
        expect(Math.abs(contact.edgeAngleDeg - s.edgeAngleDeg)).toBeLessThan(1e-6)
        expect(Math.abs(contact.gaugeDeg - s.gaugeDeg)).toBeLessThan(1e-6)
        for (const [wanted, height] of Object.entries(s.pivotHeightFor)) {
          expect(Math.abs(heightForAngleMm(Number(wanted), contact.distanceMm, c.faceOffset) - height)).toBeLessThan(
            2e-6,
          )
        }
      }
    })
  }
})

describe('facts about a guided edge', () => {
  it('a straight edge has one angle however far the rod swings', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -200, max: 200, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        (x, u) => {
          const a = contactAt({ ...straight, point: [45 + x, 30] }, centred, over(60, 6, u))
          const b = contactAt(straight, centred, over(60))
          expect(a.ok && b.ok && Math.abs(a.edgeAngleDeg - b.edgeAngleDeg)).toBeLessThan(1e-9)
        },
      ),
    )
  })

  it('a circle about the pivot has one angle, and the gauge reads it everywhere', () => {
    const edgePoints = evenEdgePoints(
      [{ type: 'arc', centre: [45, -95], radiusMm: 125, startDeg: 125, endDeg: 60 }],
      41,
    )
    for (const contact of contactsAlong(edgePoints, centred, over(55))) {
      if (!contact.ok) throw new Error(contact.code)
      expect(contact.edgeAngleDeg).toBeCloseTo(21.2313869, 6)
      expect(contact.gaugeDeg).toBeCloseTo(contact.edgeAngleDeg, 9)
    }
  })

  it('mirrors: turning the clamp over with the pivot mirrored changes nothing when the blade is centred', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (turnDeg, u) => {
          const hold = { ...centred, turnDeg }
          const mirroredHeld = { ...centred, turnDeg: -turnDeg }
          const a = contactAt(straight, hold, over(60, 6, u))
          const b = contactAt(straight, mirroredHeld, over(60, 6, -u))
          expect(a.ok).toBe(b.ok)
          if (a.ok && b.ok) expect(a.edgeAngleDeg).toBeCloseTo(b.edgeAngleDeg, 9)
        },
      ),
    )
  })

  it('the higher the pivot, the steeper the edge', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 6.5, max: 150, noNaN: true }),
        fc.double({ min: 0.01, max: 20, noNaN: true }),
        (w, more) => {
          const low = contactAt(straight, centred, over(w))
          const high = contactAt(straight, centred, over(w + more))
          expect(low.ok && high.ok && high.edgeAngleDeg > low.edgeAngleDeg).toBe(true)
        },
      ),
    )
  })

  it('a wide slot lets the rod stand square, so the gauge reads the edge angle', () => {
    const far = { ...straight, point: [75, 30] as const }
    const fixed = contactAt(far, centred, over(60))
    const sliding = contactAt(far, centred, { ...over(60), slideMm: 40 })
    expect(fixed.ok && fixed.gaugeDeg).toBeLessThan(25)
    expect(sliding.ok && sliding.foot[0]).toBeCloseTo(30, 9)
    expect(sliding.ok && sliding.gaugeDeg - sliding.edgeAngleDeg).toBeCloseTo(0, 9)
  })

  it('in a wide slot the rod stands square to an edge that runs aslant, as far as the slot goes', () => {
    const aslant: EdgePoint = { fromHeelMm: 0, point: [55, 30], heading: [Math.cos(0.2), -Math.sin(0.2)] }
    const sliding = contactAt(aslant, centred, { ...over(60, 6, 4), slideMm: 60 })
    if (!sliding.ok) throw new Error(sliding.code)
    // From the place the pivot slides to, the way to the contact is along the normal.
    const away = [sliding.point[0] - sliding.foot[0], sliding.point[1] - sliding.foot[1]]
    expect(away[0]! / away[1]!).toBeCloseTo(Math.tan(0.2), 9)
    expect(sliding.distanceMm).toBeCloseTo(Math.hypot(away[0]!, away[1]!), 9)
    // 125 mm · tan 0.2 = 25.3 mm back from 10: a slot that goes 8 mm to either side of 4 ends before.
    const ended = contactAt(aslant, centred, { ...over(60, 6, 4), slideMm: 8 })
    expect(ended.ok && ended.foot[0]).toBe(-4)
    // An edge square to the jaws: no place is squarer than another.
    const square = contactAt({ ...aslant, heading: [0, -1] }, centred, { ...over(60, 6, -40), slideMm: 8 })
    expect(square.ok && square.foot[0]).toBe(-40)
  })

  it('the stops of the rod and its end keep the stone from some places, and say how far it would have to reach', () => {
    const free = contactAt(straight, centred, over(60))
    if (!free.ok) throw new Error(free.code)
    const { reachMm } = free
    const stopped = (nearestMm: number, farthestMm: number) =>
      contactAt(straight, centred, { ...over(60), stroke: { nearestMm, farthestMm } })
    expect(stopped(reachMm, reachMm)).toEqual(free)
    expect(stopped(reachMm + 0.01, 900)).toEqual({ ok: false, code: 'before-stop', figures: { limitMm: reachMm } })
    expect(stopped(0, reachMm - 0.01)).toEqual({ ok: false, code: 'beyond-stop', figures: { limitMm: reachMm } })
    const rod = (rodLengthMm: number, more: Partial<RodPose> = {}) =>
      contactAt(straight, centred, { ...over(60), rodLengthMm, ...more })
    // A stroke of 10 mm, or of all of a shorter stone, wants as much rod beyond the contact.
    expect(rod(reachMm + 9.9)).toEqual({ ok: false, code: 'beyond-rod', figures: { limitMm: reachMm + 10 } })
    expect([rod(reachMm + 10.1).ok, rod(reachMm + 4.1, { stoneLengthMm: 4 }).ok]).toEqual([true, true])
    expect(rod(reachMm, { stroke: { nearestMm: 0, farthestMm: reachMm } }).ok).toBe(true)
  })

  it('as much of the stone passes over a place as its stops, the end of the rod and its own length leave', () => {
    const free = { rodLengthMm: 280, stoneLengthMm: 150 }
    expect([100, 140, 275, 290].map((reachMm) => strokeMm(reachMm, free))).toEqual([150, 140, 5, 0])
    // From stop to stop its middle goes from 20 mm before the place to 40 beyond it.
    expect(strokeMm(140, { ...free, stroke: { nearestMm: 120, farthestMm: 180 } })).toBe(60)
    expect(strokeMm(140, { ...free, stoneLengthMm: 30, stroke: { nearestMm: 120, farthestMm: 180 } })).toBe(30)
  })

  it('the search for a crossing finds it from afar, and says when there is none', () => {
    expect(secantRoot((x) => x ** 3 - 8, 5)).toBeCloseTo(2, 9)
    expect(secantRoot((x) => 3 * x - 6, 50, -1)).toBeCloseTo(2, 9)
    expect(secantRoot(() => 1, 0)).toBeNull()
    expect(secantRoot(() => 0, 7)).toBe(8)
    expect(secantRoot((x) => x * x + 1, 3)).toBeNull()
    let asked = 0
    secantRoot((x) => ((asked = asked + 1), 2 * x - 1), 0)
    // A line is met at the second step; the third only sees that nothing changes any more.
    expect(asked).toBeLessThanOrEqual(4)
    expect(refuse('into-jaws')).toEqual({ ok: false, code: 'into-jaws' })
    expect(Object.keys(refuse('into-jaws'))).not.toContain('figures')
  })

  it('gives the reason where there is no angle', () => {
    expect(edgeAngle(60, 0, 6)).toEqual({ ok: false, code: 'edge-behind-pivot' })
    expect(contactAt(straight, centred, over(6.5, 6.5))).toEqual({
      ok: false,
      code: 'pivot-below-face',
      figures: { limitMm: 6.5 },
    })
    expect(contactAt({ ...straight, point: [45, -120] }, centred, over(60))).toMatchObject({
      code: 'edge-behind-pivot',
    })
    const short = contactAt(straight, centred, { ...over(60), rodLengthMm: 100 })
    expect(short).toMatchObject({ ok: false, code: 'beyond-rod' })
    expect(!short.ok && short.figures?.limitMm).toBeGreaterThan(135)
  })
})
