import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import reference from './fixtures/section-history.json'
import { facesOf, freshSection, ground, thinned, type Section } from './section'

const begun = (of: {
  edgeAngleDeg: number
  thicknessBehindEdgeMm: number
  primaryHalfAngleDeg: number
  heightMm: number
}) => freshSection({ ...of, shoulderMm: of.thicknessBehindEdgeMm / 2 })

describe('the section over the blade’s life', () => {
  for (const { name, work, after, ...blade } of reference.cases)
    it(name, () => {
      let section: Section = begun(blade)
      work.forEach((step, i) => {
        const wanted = after[i]!
        const done =
          step.does === 'thin'
            ? thinned(section, step.angleDeg, step.stopsAtMm!)
            : ground(section, step.angleDeg, step.apexRecessionMm!)
        section = done.section
        expect(Math.abs(done.removedMm2 - wanted.removedMm2)).toBeLessThan(2e-5)
        expect(section[0]![0]).toBeCloseTo(wanted.apexAtMm, 4)
        const faces = facesOf(section)
        expect(faces.map(({ angleDeg }) => Number(angleDeg.toFixed(3)))).toEqual(
          wanted.faces.map(({ angleDeg }) => angleDeg),
        )
        wanted.faces.forEach((face, f) => {
          if (face.widthMm === undefined) return expect(faces[f]!.widthMm).toBeNull()
          for (const key of ['widthMm', 'endsAtMm', 'thicknessMm'] as const)
            expect(Math.abs(faces[f]![key]! - face[key]!), `face ${f + 1}, ${key}`).toBeLessThan(5e-4)
        })
      })
    })

  const angle = fc.double({ min: 10, max: 35, noNaN: true })
  it('a bevel ground again through the same apex takes nothing, and what is ground is never thicker', () => {
    fc.assert(
      fc.property(angle, angle, fc.double({ min: 0, max: 0.5, noNaN: true }), (first, then, worn) => {
        const section = begun({ edgeAngleDeg: first, thicknessBehindEdgeMm: 0.5, primaryHalfAngleDeg: 3, heightMm: 20 })
        const done = ground(section, then, worn)
        expect(done.removedMm2).toBeGreaterThan(-1e-12)
        expect(Math.abs(ground(done.section, then, 0).removedMm2)).toBeLessThan(1e-9)
      }),
    )
  })
})
