import fc from 'fast-check'
import { expect, it } from 'vitest'
import { facesOf, freshSection, ground } from '../section/section'
import { microBevel, MICRO_BEVEL_BACK_MM } from './microBevel'

it('a micro-bevel is what the section gives when it is cut with a steeper line', () => {
  const angle = fc.double({ min: 12, max: 25, noNaN: true })
  fc.assert(
    fc.property(angle, fc.double({ min: 1, max: 8, noNaN: true }), (edgeAngleDeg, addDeg) => {
      const blade = freshSection({ edgeAngleDeg, shoulderMm: 0.3, primaryHalfAngleDeg: 3, heightMm: 20 })
      const cut = ground(blade, edgeAngleDeg + addDeg, MICRO_BEVEL_BACK_MM)
      const { widthMm, removedMm2 } = microBevel(edgeAngleDeg, addDeg)
      expect(facesOf(cut.section)[0]!.widthMm).toBeCloseTo(widthMm, 9)
      expect(facesOf(cut.section)[1]!.angleDeg).toBeCloseTo(edgeAngleDeg, 9)
      expect(cut.removedMm2).toBeCloseTo(removedMm2, 9)
    }),
  )
})
