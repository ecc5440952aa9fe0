import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bellyBlade, sampleSetup } from '../setup/sampleSetup.fixture'
import type { Blade } from './blade'
import { restingCentrePlane } from './restingCentrePlane'
import { shoulderDepthMm } from './shoulder'

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const blades = fc
  .record({
    spineThicknessMm: between(1.5, 6),
    thicknessBehindEdgeMm: between(0.1, 1),
    primaryGrindHeightMm: between(8, 24),
    bevel: fc.option(between(10, 35)),
    bevels: fc.constantFrom('both' as const, 'A' as const),
  })
  .map(({ bevel, ...measures }): Blade => ({
    ...bellyBlade,
    ...measures,
    widthMm: 26,
    bevelDeg: bevel === null ? null : { A: bevel, B: bevel },
  }))

describe('a blade lying on a table', () => {
  it.each(['A', 'B'] as const)(
    'side %s up: the face below touches the table from the shoulder to the end of the grind',
    (side) => {
      fc.assert(
        fc.property(blades, between(-10, 20), between(-10, 10), (blade, bladeYMm, turnDeg) => {
          const { offsetMm, tiltDeg, axisTurnDeg } = restingCentrePlane(
            blade,
            { ...sampleSetup.hold, bladeYMm, turnDeg, tiltDeg: 0, centreOffsetMm: 0 },
            side,
          )
          expect(axisTurnDeg).toBe(turnDeg)
          const tilt = (tiltDeg * Math.PI) / 180
          // From the reference plane down to the lower face; a flat back is that plane itself.
          const faceAt = (shareOfGrind: number): [number, number] => {
            const [shoulder, end] = [shoulderDepthMm(blade), blade.primaryGrindHeightMm]
            const behindEdge = shoulder + (end - shoulder) * shareOfGrind
            const [thin, thick] = [blade.thicknessBehindEdgeMm / 2, blade.spineThicknessMm / 2]
            return [blade.widthMm - behindEdge, blade.bevels === 'A' ? 0 : thin + (thick - thin) * shareOfGrind]
          }
          for (const share of [0, 0.4, 1]) {
            const [y, below] = faceAt(share)
            expect(offsetMm + (y - bladeYMm) * Math.sin(tilt) - below * Math.cos(tilt)).toBeCloseTo(0, 9)
          }
        }),
      )
    },
  )
})
