import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contactAt, contactsAlong, type Contact } from '../contact/contact'
import { evenEdgePoints, edgePointAt } from '../../math/curve/edgePoints'
import { rodPoseAt, type Setup } from '../setup/setup'
import { sampleSetup, tableRig } from '../setup/sampleSetup.fixture'
import { dot, scale, subtract, type Vec2 } from '../../math/vector/vec2'
import { lowestAngleOverJawsDeg, passesOverJaws, topsOf } from './jawClearance'
import { lastOf } from '../../math/list'
import { bladeHeightMm, edgePointOverJaws } from '../clamping/bladeHeight'
import { heightToMeasure } from './heightToMeasure'
import { clearances, handleReach, jawFit, reachAlong, taperInJawsMm, tipStop } from './holdChecks'

const withBlade = (blade: Partial<Setup['blade']>): Setup => ({
  ...sampleSetup,
  blade: { ...sampleSetup.blade, ...blade },
})
const edgePoints = evenEdgePoints(sampleSetup.blade.edge, 100)

describe('will it hold', () => {
  it('a fully flat blade slips out beyond what was tried, a sabre grind holds to about double', () => {
    expect(jawFit(sampleSetup)).toMatchObject({ verdict: 'good', flats: false, mostMm: 5, tried: true })
    expect(jawFit(withBlade({ spineThicknessMm: 5.6 }))!.verdict).toBe('bad')
    expect(jawFit(withBlade({ spineThicknessMm: 5.6, primaryGrindHeightMm: 14 }))).toMatchObject({
      verdict: 'good',
      flats: true,
      mostMm: 9,
    })
    expect(jawFit(withBlade({ falseEdge: true }))!.verdict).toBe('bad')
    expect(jawFit({ ...sampleSetup, rig: tableRig })).toBeNull()
  })

  it('knows the taper within the jaws and how far the handle reaches', () => {
    expect(taperInJawsMm(withBlade({ spineThicknessTipMm: 2 }))).toBeCloseTo(30 / 98.196899, 6)
    expect(taperInJawsMm(sampleSetup)).toBe(0)
    expect(handleReach(withBlade({ handleLengthMm: 110 }))).toBeCloseTo(5, 9)
  })

  it('stops the stone with its middle over the tip', () => {
    const tip = edgePoints.at(-1)!.point
    expect(tipStop(sampleSetup, edgePoints)).toEqual({ alongMm: tip[0] - 40, freeEdgeMm: tip[0] - 40 + 12.5 })
  })

  it('its height is measured where a rule can be held: at the dial’s place over the jaws, else over their middle', () => {
    const { blade, rig, hold } = sampleSetup
    const places = evenEdgePoints(blade.edge, 200)
    const middle = edgePointOverJaws(blade.edge, places, hold)
    const near = edgePointAt(blade.edge, middle.fromHeelMm + rig.jaws!.widthMm / 2 - 1)
    expect(heightToMeasure(sampleSetup, near)).toEqual({ heightMm: bladeHeightMm(near, hold), placeMm: null })
    const far = heightToMeasure(sampleSetup, lastOf(places))
    expect(far?.placeMm).toBeCloseTo(middle.fromHeelMm, 1)
    expect(far?.heightMm).toBeCloseTo(bladeHeightMm(middle, hold), 2)
    expect(heightToMeasure({ ...sampleSetup, rig: tableRig }, middle)).toBeNull()
  })

  it('what is not worked in a hold need not be reached, nor cleared', () => {
    const short = { ...sampleSetup, rig: { ...sampleSetup.rig, rodLengthMm: 138 } }
    const places = evenEdgePoints(short.blade.edge, 60)
    const along = contactsAlong(places, short.hold, rodPoseAt(short, 'A', 52))
    const { heel, tip, between } = reachAlong(short, places, along)
    const out = [heel, between, tip].find((one) => one && !one.contact.ok)
    expect(out?.contact).toMatchObject({ code: 'beyond-rod' })
    const [first, last] = [places.findIndex((_, i) => along[i]!.ok), places.findLastIndex((_, i) => along[i]!.ok)]
    const worked = { fromMm: places[first]!.fromHeelMm, toMm: places[last]!.fromHeelMm }
    const ends = reachAlong({ ...short, worked }, places, along)
    expect([ends.heel.fromHeelMm, ends.tip.fromHeelMm]).toEqual([worked.fromMm, worked.toMm])
    expect([ends.heel, ends.tip, ends.between].every((one) => one?.contact.ok ?? true)).toBe(true)
  })

  it('narrow jaws let the stone go lower', () => {
    const narrow = { ...sampleSetup.rig.jaws!, name: 'Narrow', widthMm: 12, halfThicknessMm: 2 }
    const setup = { ...sampleSetup, rig: { ...sampleSetup.rig, moreJaws: [narrow] } }
    const [wide, low] = clearances(setup, 'A', contactsAlong(edgePoints, setup.hold, rodPoseAt(setup, 'A', 58)))
    expect(wide!.nearest!.lowestDeg).toBeGreaterThan(low!.nearest!.lowestDeg)
    expect(low!.nearest!.lowestDeg).toBeCloseTo((Math.atan2(2 + 1.5, 28) * 180) / Math.PI, 1)
  })

  it('jaws open for the blade they grip, and stand nearer to its plane on one side than on the other', () => {
    const hold = { ...sampleSetup.hold, bladeYMm: 8 }
    const lowest = (spineThicknessMm: number, more: Partial<Setup['hold']> = {}, side: 'A' | 'B' = 'A') => {
      const setup = { ...withBlade({ spineThicknessMm }), hold: { ...hold, ...more } }
      const contact = contactAt(edgePointAt(setup.blade.edge, 40), setup.hold, rodPoseAt(setup, side, 58))
      if (!contact.ok) throw new Error(contact.code)
      return lowestAngleOverJawsDeg(contact, topsOf(setup, side, setup.rig.jaws!), setup.stone, null)
    }
    const atan = (rise: number, run: number) => expect.closeTo((Math.atan2(rise, run) * 180) / Math.PI, 6)
    expect([2, 4, 6].map((thick) => lowest(thick))).toEqual([atan(5, 20), atan(6, 20), atan(7, 20)])
    const off = { bladeYMm: 12, centreOffsetMm: 0.5 }
    expect([lowest(3, off), lowest(3, off, 'B')]).toEqual([atan(5, 16), atan(6, 16)])
  })

  it('what is said to clear does: no place of the face or the rod is in the jaws, or their knob, at any hold', () => {
    const within = (from: number, to: number) => fc.double({ min: from, max: to, noNaN: true })
    const held = fc.record({
      turnDeg: within(-25, 25),
      bladeXMm: within(5, 90),
      bladeYMm: within(2, 16),
      centreOffsetMm: within(-1, 1),
      tiltDeg: within(-2, 2),
    })
    const jaws = fc.record({
      widthMm: within(6, 60),
      depthMm: within(5, 40),
      halfThicknessMm: within(1, 8),
      knobHeightMm: within(8, 25),
      knobBehindMm: within(0, 30),
      knobDepthMm: fc.option(within(2, 20)),
    })
    const stone = fc.record({ widthMm: within(5, 45), lengthMm: within(30, 250), faceOffsetMm: within(3, 12) })
    let [free, barely] = [0, 0]
    fc.assert(
      fc.property(held, jaws, stone, within(0, 95), within(30, 90), (hold, of, on, place, heightMm) => {
        const rig = { ...sampleSetup.rig, jaws: { ...sampleSetup.rig.jaws!, ...of }, rodLengthMm: 1000 }
        const setup = { ...sampleSetup, hold, rig, stone: { ...sampleSetup.stone, ...on } }
        const edgePoint = edgePointAt(setup.blade.edge, place)
        const contact = contactAt(edgePoint, hold, rodPoseAt(setup, 'A', heightMm))
        fc.pre(contact.ok)
        if (!contact.ok) return
        const tops = topsOf(setup, 'A', rig.jaws)
        const lowest = lowestAngleOverJawsDeg(contact, tops, setup.stone, null) ?? 0
        expect(passesOverJaws(contact, tops, setup.stone, null)).toBe(lowest <= contact.edgeAngleDeg)
        // Whatever of face and rod lies lower than a top there, at this very angle.
        const hit = deepestInside(contact, setup, tops)
        if (lowest <= contact.edgeAngleDeg) expect(hit).toBeLessThan(1e-6)
        else if (hit < 0.05) barely++
        free += Number(lowest <= contact.edgeAngleDeg)
      }),
      { numRuns: 200, endOnFailure: true },
    )
    // Both happen often, and what is refused is refused for something.
    expect(free).toBeGreaterThan(20)
    expect(barely).toBeLessThan(60)
  })

  it('a knob behind the jaws ends the angle only where the stone’s lower end, or the rod, comes over it', () => {
    const lowest = (knobBehindMm: number, lengthMm: number, stroke: Setup['rig']['stroke'] = null) => {
      const jaws = { ...sampleSetup.rig.jaws!, knobHeightMm: 20, knobBehindMm }
      const stone = { ...sampleSetup.stone, lengthMm }
      const setup = { ...sampleSetup, stone, rig: { ...sampleSetup.rig, stroke, jaws } }
      const along = contactsAlong([edgePointAt(setup.blade.edge, 40)], setup.hold, rodPoseAt(setup, 'A', 58))
      const { nearest, byKnob } = clearances(setup, 'A', along)[0]!
      return [nearest?.lowestDeg ?? null, byKnob]
    }
    const deg = (of: number) => expect.closeTo((of * 180) / Math.PI, 6)
    const [high, back] = [20 + 1.5, 40]
    // The edge stands 28 mm out of the jaws: the knob is 28 + 12 mm from it, and the rod rises at about 24°.
    expect(lowest(12, 150)).toEqual([deg(Math.atan2(high, back)), true])
    // Behind the stone's end the rod, its underside a millimetre over the face, is all that comes over it.
    const rod = Math.acos((6 - 5) / Math.hypot(high, back)) - Math.atan2(back, high)
    expect(lowest(12, 42)).toEqual([deg(rod), true])
    // A near stop at 130 mm keeps the middle of the stone, so its lower end, away from the knob.
    expect(lowest(12, 60, { nearestMm: 130, farthestMm: 300 })).toEqual([deg(rod), true])
  })
})

it('a knob goes back as far as it was measured; else as the jaws do, and ten millimetres at least', () => {
  const back = (knobBehindMm: number, knobDepthMm: number | null) => {
    const jaws = { ...sampleSetup.rig.jaws!, depthMm: 20, knobHeightMm: 20, knobBehindMm, knobDepthMm }
    const [, knob] = topsOf(sampleSetup, 'A', jaws)
    return Math.min(...knob!.corners.map(({ v }) => v))
  }
  expect([back(15, 3), back(15, null), back(4, null)]).toEqual([-18, -25, -20])
})

/** How deep places of the stone's face, and of the rod behind it, lie under tops, at most, mm. */
function deepestInside(contact: Contact, { stone }: Setup, tops: ReturnType<typeof topsOf>): number {
  type Point = readonly number[]
  const plus = (a: Point, b: Point, k: number): Point => a.map((x, i) => x + k * b[i]!)
  const theta = (contact.edgeAngleDeg * Math.PI) / 180
  const edge: Point = [...contact.point, 0]
  const normal: Point = [...scale(contact.outward, Math.sin(theta)), Math.cos(theta)]
  const over = plus(edge, normal, stone.faceOffsetMm)
  const pivot: Point = [...contact.foot, contact.heightMm]
  const back = plus(pivot, over, -1).map((x) => x / contact.reachMm)
  const [n, b] = [normal, back]
  const across: Point = [n[1]! * b[2]! - n[2]! * b[1]!, n[2]! * b[0]! - n[0]! * b[2]!, n[0]! * b[1]! - n[1]! * b[0]!]
  const stoneEnd = Math.min(stone.lengthMm, contact.reachMm + stone.lengthMm / 2)
  const radius = Math.min(5, stone.faceOffsetMm)
  let deepest = 0
  const look = ([u, v, z]: Point) => {
    for (const { corners } of tops) {
      const [a, c, , d] = corners.map((corner): Vec2 => [corner.u, corner.v])
      const share = (side: Vec2) => dot(subtract([u!, v!], a!), side) / dot(side, side)
      const [p, q] = [share(subtract(c!, a!)), share(subtract(d!, a!))]
      if (p < 0 || p > 1 || q < 0 || q > 1) continue
      const [w, right, behind] = [corners[0]!.w, corners[1]!.w, corners[3]!.w]
      const top = w + p * (right - w) + q * (behind - w)
      deepest = Math.max(deepest, Math.min(top, top - z!))
    }
  }
  const STEPS = 40
  for (let i = 0; i <= STEPS; i++)
    for (let j = 0; j <= STEPS; j++) {
      const [far, aside] = [i / STEPS, j / STEPS - 0.5]
      look(plus(plus(edge, back, stoneEnd * far), across, stone.widthMm * aside))
      const rod = plus(plus(edge, normal, stone.faceOffsetMm - radius), across, 2 * radius * aside)
      if (stoneEnd < contact.reachMm) look(plus(rod, back, stoneEnd + (contact.reachMm - stoneEnd) * far))
    }
  return deepest
}
