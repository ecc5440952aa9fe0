import { expect, it } from 'vitest'
import { radians } from '../../math/units/angle'
import { edgePointAt } from '../../math/curve/edgePoints'
import { sampleSetup } from '../setup/sampleSetup.fixture'
import { rodPoseAt } from '../setup/setup'
import { contactAt } from './contact'
import { scratchLeanDeg } from './scratchLean'

it('scratches run as the rod does, seen on the face of the bevel', () => {
  const over = rodPoseAt(sampleSetup, 'A', 55)
  const leans = [0, 20, 40, 60, 80, 95].map((place) => {
    const contact = contactAt(edgePointAt(sampleSetup.blade.edge, place), sampleSetup.hold, over)
    if (!contact.ok) throw new Error(contact.code)
    const { point, outward, edgeAngleDeg } = contact
    const [sin, cos] = [Math.sin(radians(edgeAngleDeg)), Math.cos(radians(edgeAngleDeg))]
    // The rod's axis over the contact, less the pivot; across and square to the edge in the face, and off it.
    const lift = over.faceOffsetMm
    const rod = [
      point[0] + outward[0] * sin * lift - over.pivot.u,
      point[1] + outward[1] * sin * lift - over.pivot.v,
      cos * lift - over.pivot.w,
    ] as const
    const dot = (to: readonly [number, number, number]) => rod[0] * to[0] + rod[1] * to[1] + rod[2] * to[2]
    expect(dot([outward[0] * sin, outward[1] * sin, cos])).toBeCloseTo(0, 9)
    const along = dot([outward[1], -outward[0], 0])
    const across = dot([outward[0] * cos, outward[1] * cos, -sin])
    const leanDeg = scratchLeanDeg(contact)
    expect(Math.tan(radians(leanDeg))).toBeCloseTo(along / across, 9)
    return leanDeg
  })
  // Jaws and pivot stand at 40 mm: before it they lean towards the heel, past it towards the tip, less on the belly.
  expect(leans[0]).toBeLessThan(-10)
  expect(leans[2]).toBeCloseTo(0, 9)
  expect(leans[3]).toBeGreaterThan(1)
  expect(leans[5]).toBeLessThan(leans[3]!)
})
