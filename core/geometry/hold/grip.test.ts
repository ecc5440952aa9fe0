import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bladeHeightMm, moved } from '../clamping/bladeHeight'
import { evenEdgePoints, edgePointAt } from '../../math/curve/edgePoints'
import { adviseBladeHeight, adviseCollar, adviseDial } from '../dial/advised'
import { contactAt, contactsAlong } from '../contact/contact'
import { bladeHeightFor } from '../dial/bladeHeightFor'
import { whatToDial } from '../dial/whatToDial'
import { heightOfSetting, settingOfHeight } from '../../records/rig/dial'
import { holdLimits } from '../../placement/holdLimits'
import type { Blade } from '../../records/blade/blade'
import { heldSetup, slotRig, tableRig } from '../setup/sampleSetup.fixture'
import { rodPoseAt } from '../setup/setup'
import { shortOverJawsDeg } from './jawClearance'
import { deepestHoldMm, gripOf, LEAST_HELD_MM } from './grip'

// 28 mm wide with a straight spine, ground to 26: the jaws reach at most half of it; they are 30 wide.
const { rig, blade, hold } = heldSetup
const grip = gripOf(blade, rig)
const at = (bladeXMm: number, bladeYMm: number, turnDeg = 0) => ({ ...hold, bladeXMm, bladeYMm, turnDeg })

describe('what jaws hold of a blade', () => {
  it('is enough of it, on its flat, clear of its edge, and all of their width', () => {
    expect([3.9, 4, 14, 14.1].map((depth) => grip.trouble(at(40, depth)))).toEqual([
      'too-little-held',
      null,
      null,
      'off-the-flat',
    ])
    expect([14.9, 15].map((place) => grip.trouble(at(place, 8)))).toEqual(['off-the-blade', null])
    const sabre = { ...blade, primaryGrindHeightMm: 2 }
    expect([24.9, 25.1].map((depth) => gripOf(sabre, rig).trouble(at(40, depth)))).toEqual([null, 'into-the-edge'])
    expect(gripOf(blade, tableRig).trouble(at(-300, -300))).toBeNull()
  })

  it('turned, their corners count', () => {
    const corner = 15 * Math.sin((5 * Math.PI) / 180)
    const holds = (depth: number) => grip.trouble(at(40, depth, 5)) === null
    expect([LEAST_HELD_MM + corner - 0.1, LEAST_HELD_MM + corner + 0.1].map(holds)).toEqual([false, true])
    expect(grip.depthsMm(at(40, 0, 5))).toEqual([
      expect.closeTo(LEAST_HELD_MM + corner, 9),
      expect.closeTo(deepestHoldMm(blade) - corner, 9),
    ])
  })

  it('knows when no steel lies between them at all', () => {
    expect([-1, 0, 0.1].map((depth) => grip.touches(at(40, depth)))).toEqual([false, false, true])
    expect(grip.touches(at(-40, 8))).toBe(false)
  })

  it('the nearest hold that can be is held, turned alike, and no hold in reach is nearer', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 140, noNaN: true }),
        fc.double({ min: -30, max: 60, noNaN: true }),
        fc.double({ min: -8, max: 8, noNaN: true }),
        (x, y, turnDeg) => {
          const from = at(x, y, turnDeg)
          const to = grip.nearest(from)!
          expect(grip.trouble(to)).toBeNull()
          expect(to.turnDeg).toBe(turnDeg)
          const byMm = Math.hypot(to.bladeXMm - x, to.bladeYMm - y)
          for (let along = -byMm + 2; along < byMm - 2; along += 4)
            for (let deep = -byMm + 2; deep < byMm - 2; deep += 4)
              if (Math.hypot(along, deep) < byMm - 2)
                expect(grip.trouble({ ...from, bladeXMm: x + along, bladeYMm: y + deep })).not.toBeNull()
        },
      ),
      { numRuns: 60 },
    )
  })

  it('rests on a stop where one will do', () => {
    const stops = [
      { name: 'pin 1', depthMm: 3 },
      { name: 'pin 2', depthMm: 10 },
    ]
    expect(gripOf(blade, { ...rig, stops }).nearest(at(40, 1))!.bladeYMm).toBe(10)
    // One that is no use is passed over.
    expect(gripOf(blade, { ...rig, stops: [stops[0]!] }).nearest(at(40, 1))!.bladeYMm).toBe(4.5)
  })
})

describe('advice', () => {
  const edgePoint = edgePointAt(blade.edge, 40)

  it('to dial is for a blade that the jaws hold, and for no other', () => {
    expect(adviseDial(heldSetup, 'A', 20, edgePoint)).toEqual(whatToDial(heldSetup, 'A', 20, edgePoint))
    const out = { ...heldSetup, hold: at(40, 1) }
    expect(whatToDial(out, 'A', 20, edgePoint).ok).toBe(true)
    expect(adviseDial(out, 'A', 20, edgePoint)).toEqual({ ok: false, code: 'not-held' })
  })

  it('to put a collar under the pivot is for a slot below what is needed, and comes to the wanted angle', () => {
    const setup = { ...heldSetup, rig: { ...slotRig, jaws: rig.jaws } }
    for (const wanted of [17, 18.5, 20, 21.5]) {
      const advice = adviseCollar(setup, 'A', wanted, edgePoint)!
      const slot = heightOfSetting(setup.rig, advice.setting)
      if (!slot.ok) throw new Error(slot.code)
      expect(advice.collarMm).toBeGreaterThanOrEqual(0)
      const contact = contactAt(edgePoint, setup.hold, rodPoseAt(setup, 'A', slot.heightMm + advice.collarMm))
      expect(contact.ok && contact.edgeAngleDeg).toBeCloseTo(wanted, 6)
    }
    expect(adviseCollar(setup, 'A', 3, edgePoint)).toBeNull()
    expect(adviseCollar({ ...setup, hold: at(40, 1) }, 'A', 20, edgePoint)).toBeNull()
  })

  it('is none for a spine that slips out of the jaws, and says what they hold', () => {
    const thick = { ...heldSetup, blade: { ...blade, spineThicknessMm: 14 } }
    const refused = { ok: false, code: 'slips-out', figures: { limitMm: 5 } }
    expect(adviseDial(thick, 'A', 20, edgePoint)).toEqual(refused)
    expect(adviseBladeHeight(thick, 'A', settingOfHeight(rig, 60), 20, edgePoint)).toEqual(refused)
    expect(holdLimits(thick, 'A', [edgePoint])(heldSetup.hold, 60)).toBe('slips-out')
    expect(adviseDial({ ...thick, rig: { ...rig, jaws: null } }, 'A', 20, edgePoint).ok).toBe(true)
  })

  it('names no angle where jaws stand beside the contact, higher than a face could pass: none clears them', () => {
    // A blade of 25 mm that goes round to its tip, in jaws far wider than it is.
    const edge: Blade['edge'] = [{ type: 'arc', centre: [0, 3], radiusMm: 25, startDeg: 90, endDeg: 5 }]
    const short = { ...heldSetup, blade: { ...blade, edge }, hold: at(10, 8) }
    const along = contactsAlong(evenEdgePoints(edge, 9), short.hold, rodPoseAt(short, 'A', 60))
    const wide = { ...rig.jaws!, widthMm: 80 }
    expect(shortOverJawsDeg(short, 'A', wide, along)).toBe(Infinity)
    expect(shortOverJawsDeg(short, 'A', { ...wide, widthMm: 6 }, along)).toBeLessThan(30)
  })

  it('to dial ends where the stone would meet the jaws, and says at which angle', () => {
    // Their front is 4 high and 1.5 for the blade between them, and 20 from the edge.
    const clears = (Math.atan2(4 + 1.5, 20) * 180) / Math.PI
    expect(whatToDial(heldSetup, 'A', clears - 0.5, edgePoint).ok).toBe(true)
    const refused = adviseDial(heldSetup, 'A', clears - 0.5, edgePoint)
    expect(refused).toMatchObject({ ok: false, code: 'stone-meets-jaws' })
    // Here it just clears; beside it, all along the edge, a little more is needed.
    const limitDeg = refused.ok ? NaN : Number(refused.figures?.limitDeg)
    expect(limitDeg).toBeGreaterThanOrEqual(clears - 1e-9)
    expect(limitDeg).toBeLessThan(clears + 0.1)
    expect(adviseDial(heldSetup, 'A', limitDeg + 0.5, edgePoint).ok).toBe(true)
  })

  it('to stand the blade further out ends where the jaws lose it, and says where', () => {
    // The pivot at 60 gives 24°, 20 mm out: 19° would need the blade beyond its own width.
    const ask = [heldSetup, 'A', settingOfHeight(rig, 60), 19, edgePoint] as const
    const solved = bladeHeightFor(...ask)
    expect(solved.ok && solved.bladeHeightMm).toBeGreaterThan(28)
    const advised = adviseBladeHeight(...ask)
    expect(advised).toEqual({
      ok: false,
      code: 'jaws-reach-to',
      figures: { limitMm: expect.closeTo(28 - LEAST_HELD_MM, 9) },
    })
    const limit = advised.ok ? NaN : Number(advised.figures?.limitMm)
    const toLimit = moved(hold, 0, limit - bladeHeightMm(edgePoint, hold))
    expect(grip.trouble({ ...toLimit, bladeYMm: toLimit.bladeYMm + 1e-6 })).toBeNull()
    expect(grip.trouble(moved(toLimit, 0, 0.01))).toBe('too-little-held')
  })

  it('never leads to a hold that the search would refuse', () => {
    const edgePoints = evenEdgePoints(blade.edge, 20)
    fc.assert(
      fc.property(fc.double({ min: 10, max: 35, noNaN: true }), fc.integer({ min: 0, max: 19 }), (deg, i) => {
        const advised = adviseBladeHeight(heldSetup, 'A', settingOfHeight(rig, 60), deg, edgePoints[i]!)
        if (!advised.ok) return
        const pivotMm = 60
        expect(
          holdLimits({ ...heldSetup, hold: advised.hold }, 'A', [edgePoints[i]!])(advised.hold, pivotMm),
        ).toBeNull()
      }),
    )
  })
})
