import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contactsAlong } from '../angle/contact'
import { evenStations, stationAt } from '../curve/stations'
import { lowestAngleOverJawsDeg } from '../rig/jawClearance'
import { reacherAt, type Job } from '../setup/job'
import { sampleJob, tableRig } from '../setup/sampleJob.fixture'
import { add, dot, rotate, scale, subtract, unit, type Vec2 } from '../vector/vec2'
import { clearances, handleReach, jawFit, taperInJawsMm, tipStop } from './holdChecks'

const withBlade = (blade: Partial<Job['blade']>): Job => ({ ...sampleJob, blade: { ...sampleJob.blade, ...blade } })
const stations = evenStations(sampleJob.blade.edge, 100)

describe('will it hold', () => {
  it('a fully flat blade slips out beyond what was tried, a sabre grind holds to about double', () => {
    expect(jawFit(sampleJob)).toMatchObject({ verdict: 'good', flats: false, mostMm: 5, tried: true })
    expect(jawFit(withBlade({ spineThicknessMm: 5.6 }))!.verdict).toBe('bad')
    expect(jawFit(withBlade({ spineThicknessMm: 5.6, primaryGrindHeightMm: 14 }))).toMatchObject({
      verdict: 'good',
      flats: true,
      mostMm: 9,
    })
    expect(jawFit(withBlade({ falseEdge: true }))!.verdict).toBe('bad')
    expect(jawFit({ ...sampleJob, rig: tableRig })).toBeNull()
  })

  it('knows the taper within the jaws and how far the handle reaches', () => {
    expect(taperInJawsMm(withBlade({ spineThicknessTipMm: 2 }))).toBeCloseTo(30 / 98.196899, 6)
    expect(taperInJawsMm(sampleJob)).toBe(0)
    expect(handleReach(withBlade({ handleLengthMm: 110 }))).toBeCloseTo(5, 9)
  })

  it('stops the stone with its middle over the tip', () => {
    const tip = stations.at(-1)!.point
    expect(tipStop(sampleJob, stations)).toEqual({ alongMm: tip[0] - 40, freeEdgeMm: tip[0] - 40 + 12.5 })
  })

  it('narrow jaws let the stone go lower', () => {
    const narrow = { ...sampleJob.rig.jaws!, name: 'Narrow', widthMm: 12, halfThicknessMm: 2 }
    const job = { ...sampleJob, rig: { ...sampleJob.rig, moreJaws: [narrow] } }
    const [wide, low] = clearances(job, contactsAlong(stations, job.held, reacherAt(job, 'A', 58)))
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
          const job = {
            ...sampleJob,
            held: { ...sampleJob.held, turnDeg },
            stone: { ...sampleJob.stone, widthMm, lengthMm: 300 },
          }
          const contact = contactsAlong([stationAt(job.blade.edge, place)], job.held, reacherAt(job, 'A', 58))[0]!
          if (!contact.ok) throw new Error(contact.reason)
          // Places of the stone's face over the front line of the jaws: along the rod, and off to its sides.
          const [run, across] = [
            unit(subtract(contact.point, contact.foot)),
            rotate(unit(subtract(contact.point, contact.foot)), Math.PI / 2),
          ]
          const over = Array.from({ length: 401 }, (_, i): Vec2 => {
            const beside = add(contact.point, scale(across, widthMm * (i / 400 - 0.5)))
            return add(beside, scale(run, -beside[1] / run[1]))
          }).filter(([u]) => Math.abs(u) <= job.rig.jaws!.widthMm / 2)
          const lowest = lowestAngleOverJawsDeg(contact, job.rig.jaws!, job.stone, null)
          fc.pre(over.length > 0)
          const nearest = Math.min(...over.map((at) => dot(contact.outward, subtract(contact.point, at))))
          expect(lowest).toBeCloseTo((Math.atan2(job.rig.jaws!.halfThicknessMm, nearest) * 180) / Math.PI, 0)
        },
      ),
    )
  })

  it('a knob behind the jaws ends the angle only where the stone’s lower end comes over it', () => {
    const lowest = (knobBehindMm: number, lengthMm: number, stroke: Job['rig']['stroke'] = null) => {
      const job = {
        ...sampleJob,
        stone: { ...sampleJob.stone, lengthMm },
        rig: { ...sampleJob.rig, stroke, jaws: { ...sampleJob.rig.jaws!, knobHeightMm: 20, knobBehindMm } },
      }
      const { lowestDeg, byKnob } = clearances(
        job,
        contactsAlong([stationAt(job.blade.edge, 40)], job.held, reacherAt(job, 'A', 58)),
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
