import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import reference from './fixtures/bevel-section.json'
import { reprofile } from './reprofile'

describe('what a new face takes off', () => {
  for (const c of reference.cases) {
    it(`${c.edgeAngleDeg}° to ${c.newAngleDeg}°, apex back by ${c.apexRecession} mm: ${c.outcome}`, () => {
      const old = {
        edgeAngleDeg: c.edgeAngleDeg,
        shoulderMm: c.thicknessBehindEdge / 2,
        primaryHalfAngleDeg: c.primaryHalfAngleDeg,
      }
      const now = reprofile(old, c.newAngleDeg, c.apexRecession)
      if (!now.ok) throw new Error(now.code)
      expect(now.outcome).toBe(c.outcome)
      expect(Math.abs(now.endsAtMm - c.newFaceEndsAt)).toBeLessThan(1e-6)
      expect(Math.abs(now.faceWidthMm - c.newFaceWidth)).toBeLessThan(1e-6)
      expect(Math.abs(2 * now.shoulderMm - c.newThicknessAtFaceEnd)).toBeLessThan(1e-6)
      expect(Math.abs(now.removedMm2 - c.removedAreaPerSide)).toBeLessThan(1e-6)
    })
  }

  const angle = fc.double({ min: 10, max: 30, noNaN: true })
  const half = fc.double({ min: 0, max: 5, noNaN: true })
  it('the same bevel with the apex where it was takes nothing off', () => {
    fc.assert(
      fc.property(angle, half, (edgeAngleDeg, primaryHalfAngleDeg) => {
        const now = reprofile({ edgeAngleDeg, shoulderMm: 0.25, primaryHalfAngleDeg }, edgeAngleDeg, 0)
        expect(now.ok && now.removedMm2).toBeLessThan(1e-9)
      }),
    )
  })

  it('the further the apex is worn back, the more goes', () => {
    fc.assert(
      fc.property(
        angle,
        angle,
        half,
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        (from, to, primaryHalfAngleDeg, worn) => {
          const [less, more] = [worn, worn + 0.01].map((by) =>
            reprofile({ edgeAngleDeg: from, shoulderMm: 0.25, primaryHalfAngleDeg }, to, by),
          )
          expect(less?.ok && more?.ok && more.removedMm2 >= less.removedMm2).toBe(true)
        },
      ),
    )
  })

  it.each([1.4, -0.8])('on a face that bows by %f mm it is what lies between the outline and the new face', (bowMm) => {
    const old = { edgeAngleDeg: 20, shoulderMm: 0.25, primaryHalfAngleDeg: 4, face: { lengthMm: 24, bowMm } }
    const now = reprofile(old, 11, 0.1)
    if (!now.ok || now.outcome !== 'full') throw new Error('no full face')
    const slope = (deg: number) => Math.tan((deg * Math.PI) / 180)
    const shoulderAt = 0.25 / slope(20)
    const outline = (x: number) => {
      const [u, share] = [x - shoulderAt, (x - shoulderAt) / 24]
      return u < 0 ? x * slope(20) : 0.25 + u * slope(4) + 4 * bowMm * share * (1 - share)
    }
    const [steps, over] = [200_000, (x: number) => outline(x) - Math.max(0, (x - 0.1) * slope(11))]
    const step = now.endsAtMm / steps
    const area = Array.from({ length: steps }, (_, i) => over((i + 0.5) * step) * step).reduce((a, b) => a + b)
    expect(over(now.endsAtMm)).toBeCloseTo(0, 9)
    expect(now.removedMm2).toBeCloseTo(area, 6)
  })

  it('a face flatter than the primary grind never ends on the blade', () => {
    expect(reprofile({ edgeAngleDeg: 20, shoulderMm: 0.25, primaryHalfAngleDeg: 5 }, 4, 0)).toEqual({
      ok: false,
      code: 'flatter-than-primary',
    })
  })
})
