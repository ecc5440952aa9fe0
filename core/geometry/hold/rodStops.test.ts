import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import { contactsAlong, type Contact } from '../contact/contact'
import { heldSetup, sampleSetup } from '../setup/sampleSetup.fixture'
import { rodPoseAt, type Setup } from '../setup/setup'
import { passesOverJaws, topsOf } from './jawClearance'
import { KEPT_ON_MM, rodStops } from './rodStops'

const edgePoints = evenEdgePoints(sampleSetup.blade.edge, 30)
const contactsOf = (setup: Setup, height: number) =>
  contactsAlong(edgePoints, setup.hold, rodPoseAt(setup, 'A', height)).filter((one): one is Contact => one.ok)

describe('two stops on the rod', () => {
  const drawn = fc.record({
    height: fc.double({ min: 30, max: 80, noNaN: true }),
    lengthMm: fc.double({ min: 60, max: 220, noNaN: true }),
    bladeYMm: fc.double({ min: -6, max: 10, noNaN: true }),
  })

  it('keep the stone on every place of the edge and off the jaws, as far apart as they can be', () => {
    let [found, moved] = [0, 0]
    fc.assert(
      fc.property(drawn, ({ height, lengthMm, bladeYMm }) => {
        const hold = { ...sampleSetup.hold, bladeYMm }
        const setup = { ...sampleSetup, hold, stone: { ...sampleSetup.stone, lengthMm } }
        const stops = rodStops(setup, 'A', height, edgePoints)
        if (!stops.ok) return
        found++
        const { nearestMm, farthestMm } = stops
        const contacts = contactsOf(setup, height)
        const kept = (middle: number) =>
          Math.min(...contacts.map(({ reachMm }) => lengthMm / 2 - Math.abs(middle - reachMm)))
        expect(Math.min(kept(nearestMm), kept(farthestMm))).toBeGreaterThanOrEqual(KEPT_ON_MM - 1e-9)
        expect(farthestMm + lengthMm / 2).toBeLessThanOrEqual(setup.rig.rodLengthMm + 1e-9)
        expect(farthestMm - nearestMm).toBeGreaterThanOrEqual(10 - 1e-9)
        const tops = topsOf(setup, 'A', setup.rig.jaws!)
        const clears = (at: number) =>
          contacts.every((one) => passesOverJaws(one, tops, setup.stone, { nearestMm: at, farthestMm }))
        expect(clears(nearestMm)).toBe(true)
        // A bit farther apart, and the stone leaves the edge, meets the jaws or passes the end of the rod.
        expect(nearestMm - lengthMm / 2).toBeGreaterThanOrEqual(5 - 1e-9)
        if (kept(nearestMm) > KEPT_ON_MM + 1e-6 && nearestMm - lengthMm / 2 > 5 + 1e-6) {
          moved++
          expect(clears(nearestMm - 0.3)).toBe(false)
        }
        const atEnd = Math.abs(farthestMm + lengthMm / 2 - setup.rig.rodLengthMm) < 1e-6
        expect(atEnd || Math.abs(kept(farthestMm) - KEPT_ON_MM) < 1e-6).toBe(true)
      }),
      { numRuns: 200 },
    )
    expect(found).toBeGreaterThan(60)
    expect(moved).toBeGreaterThan(3)
  })

  it('are none for a stone that is too short for how the reach changes, and for a place that has no angle', () => {
    const short = { ...heldSetup, stone: { ...heldSetup.stone, lengthMm: 12 } }
    const none = rodStops(short, 'A', 50, edgePoints)
    expect(none).toMatchObject({ ok: false, code: 'stops-too-near' })
    const limitMm = Number(none.ok ? 0 : none.figures?.limitMm)
    const longEnough = { ...short, stone: { ...short.stone, lengthMm: limitMm + 1e-6 } }
    expect(rodStops(longEnough, 'A', 50, edgePoints).ok).toBe(true)
    expect(rodStops(heldSetup, 'A', 5, edgePoints)).toMatchObject({ ok: false, code: 'pivot-below-face' })
  })
})
