import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contactsAlong } from '../angle/contact'
import { evenStations, stationAt } from '../curve/stations'
import { lowestAngleOverJawsDeg } from '../rig/jawClearance'
import { reachersAt, type Setup } from '../setup/setup'
import { sampleSetup, tableRig } from '../setup/sampleSetup.fixture'
import { add, dot, rotate, scale, subtract, unit, type Vec2 } from '../vector/vec2'
import { clearances, handleReach, jawFit, taperInJawsMm, tipStop } from './holdChecks'

const withBlade = (blade: Partial<Setup['blade']>): Setup => ({
  ...sampleSetup,
  blade: { ...sampleSetup.blade, ...blade },
})
const stations = evenStations(sampleSetup.blade.edge, 100)

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
    const tip = stations.at(-1)!.point
    expect(tipStop(sampleSetup, stations)).toEqual({ alongMm: tip[0] - 40, freeEdgeMm: tip[0] - 40 + 12.5 })
  })

  it('narrow jaws let the stone go lower', () => {
    const narrow = { ...sampleSetup.rig.jaws!, name: 'Narrow', widthMm: 12, halfThicknessMm: 2 }
    const setup = { ...sampleSetup, rig: { ...sampleSetup.rig, moreJaws: [narrow] } }
    const [wide, low] = clearances(setup, contactsAlong(stations, setup.hold, reachersAt(setup, 'A', 58)))
    expect(wide!.lowestDeg).toBeGreaterThan(low!.lowestDeg!)
    expect(low!.lowestDeg).toBeCloseTo((Math.atan2(2, 28) * 180) / Math.PI, 1)
  })

  it('the whole width of the stone has to pass over the jaws, also where the edge runs aslant to them', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -10, max: 10, noNaN: true }),
        fc.double({ min: 0, max: 95, noNaN: true }),
        fc.double({ min: 8, max: 45, noNaN: true }),
        (turnDeg, place, widthMm) => {
          const setup = {
            ...sampleSetup,
            hold: { ...sampleSetup.hold, turnDeg },
            stone: { ...sampleSetup.stone, widthMm, lengthMm: 300 },
          }
          const contact = contactsAlong(
            [stationAt(setup.blade.edge, place)],
            setup.hold,
            reachersAt(setup, 'A', 58),
          )[0]!
          if (!contact.ok) throw new Error(contact.reason)
          // Places of the stone's face over the front line of the jaws: along the rod, and off to its sides.
          const [run, across] = [
            unit(subtract(contact.point, contact.foot)),
            rotate(unit(subtract(contact.point, contact.foot)), Math.PI / 2),
          ]
          const over = Array.from({ length: 401 }, (_, i): Vec2 => {
            const beside = add(contact.point, scale(across, widthMm * (i / 400 - 0.5)))
            return add(beside, scale(run, -beside[1] / run[1]))
          }).filter(([u]) => Math.abs(u) <= setup.rig.jaws!.widthMm / 2)
          const lowest = lowestAngleOverJawsDeg(contact, setup.rig.jaws!, setup.stone, null)
          fc.pre(over.length > 0)
          const nearest = Math.min(...over.map((at) => dot(contact.outward, subtract(contact.point, at))))
          expect(lowest).toBeCloseTo((Math.atan2(setup.rig.jaws!.halfThicknessMm, nearest) * 180) / Math.PI, 0)
        },
      ),
    )
  })

  it('a knob behind the jaws ends the angle only where the stone’s lower end comes over it', () => {
    const lowest = (knobBehindMm: number, lengthMm: number, stroke: Setup['rig']['stroke'] = null) => {
      const setup = {
        ...sampleSetup,
        stone: { ...sampleSetup.stone, lengthMm },
        rig: { ...sampleSetup.rig, stroke, jaws: { ...sampleSetup.rig.jaws!, knobHeightMm: 20, knobBehindMm } },
      }
      const { lowestDeg, byKnob } = clearances(
        setup,
        contactsAlong([stationAt(setup.blade.edge, 40)], setup.hold, reachersAt(setup, 'A', 58)),
      )[0]!
      return [lowestDeg, byKnob]
    }
    const atan = (rise: number, run: number) => expect.closeTo((Math.atan2(rise, run) * 180) / Math.PI, 6)
    // The edge stands 28 mm out of the jaws: the knob is 28 + 12 mm from it, and the rod rises at about 24°.
    expect(lowest(12, 150)).toEqual([atan(20, 40), true])
    expect(lowest(12, 42)).toEqual([atan(4, 28), false])
    // A near stop at 130 mm keeps the middle of the stone, so its lower end, away from the knob.
    expect(lowest(12, 60, { nearestMm: 130, farthestMm: 300 })).toEqual([atan(4, 28), false])
    // A stone that ends before the jaws meets neither.
    expect(lowest(12, 20)).toEqual([null, false])
  })
})
