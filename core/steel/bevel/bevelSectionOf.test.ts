import { describe, expect, it } from 'vitest'
import { sampleSetup } from '../../geometry/setup/sampleSetup.fixture'
import type { Blade } from '../../records/blade/blade'
import { bevelSectionOf } from './bevelSectionOf'

const of = (part: Partial<Blade>) => bevelSectionOf({ ...sampleSetup.blade, ...part }, 'A', 20)
const tan = (deg: number) => Math.tan((deg * Math.PI) / 180)

describe('the section of a bevel', () => {
  it('runs from the shoulder along the primary face, which gains the rest of the thickness over its length', () => {
    for (const grind of ['hollow', 'convex'] as const) {
      const { shoulderMm, primaryHalfAngleDeg, face } = of({ grind })
      expect(shoulderMm).toBe(0.25)
      expect(face!.lengthMm * tan(primaryHalfAngleDeg)).toBeCloseTo(3 / 2 - 0.25, 9)
      expect(Math.sign(face!.bowMm)).toBe(grind === 'hollow' ? -1 : 1)
    }
  })
  it('has the whole taper on the flank of a blade that is bevelled on one side', () => {
    const { shoulderMm, primaryHalfAngleDeg, face } = of({ grind: 'convex', bevels: 'A' })
    expect(shoulderMm).toBe(0.5)
    expect(face!.lengthMm * tan(primaryHalfAngleDeg)).toBeCloseTo(3 - 0.5, 9)
  })
  it('has no curve on a flat grind, nor where the flanks are parallel', () => {
    expect(of({ grind: 'flat' }).face).toBeUndefined()
    expect(of({ grind: 'convex', spineThicknessMm: 0.5 })).toEqual({
      edgeAngleDeg: 20,
      shoulderMm: 0.25,
      primaryHalfAngleDeg: 0,
    })
  })
})
