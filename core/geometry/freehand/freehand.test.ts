import fc from 'fast-check'
import { expect, it } from 'vitest'
import { bellyBlade } from '../setup/sampleSetup.fixture'
import { onRamp, riseOverPlate, spineRise, widthsOf } from './freehand'

it('the spine stands where the corner of a turned rectangle does: its near face, not its middle', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 8, max: 30, noNaN: true }),
      fc.double({ min: 15, max: 60, noNaN: true }),
      fc.double({ min: 1, max: 3, noNaN: true }),
      (deg, width, thick) => {
        // The blade turned about its edge: its lower spine corner's height.
        const turn = (deg * Math.PI) / 180
        const [x, y] = [width, -thick / 2]
        const height = x * Math.sin(turn) + y * Math.cos(turn)
        const { riseMm, degPerMm } = spineRise(deg, width, thick)
        expect(riseMm).toBeCloseTo(Math.max(0, height), 9)
        if (height > 0) expect(spineRise(deg + degPerMm / 100, width, thick).riseMm - riseMm).toBeCloseTo(0.01, 4)
      },
    ),
  )
  expect(spineRise(2, 20, 6).riseMm).toBe(0)
  // 40 mm wide, 2 mm thick, at 20°.
  expect(spineRise(20, 40, 2).riseMm).toBeCloseTo(12.741, 3)
})

it('a ramp adds the primary half-angle where the flat is laid on it; a plate rises with the tangent', () => {
  expect(onRamp(20, 1.5)).toEqual({ laidDeg: 21.5, heldDeg: 20 })
  expect(riseOverPlate(20, 30)).toBeCloseTo(10.919, 3)
})

it('a blade is as wide as from its edge to its spine, and as thick there as it tapers', () => {
  const straight = { ...bellyBlade, spineThicknessTipMm: 1 }
  const widths = widthsOf(straight)
  expect(widths[0]!.widthMm).toBeCloseTo(28, 6)
  expect(widths.at(-1)!.widthMm).toBeLessThan(28)
  expect(widths.map(({ spineThicknessMm }) => spineThicknessMm)).toEqual(
    widths.map(({ spineThicknessMm }) => spineThicknessMm).toSorted((a, b) => b - a),
  )
  const spine = [{ type: 'line' as const, from: [0, 4] as [number, number], to: [90, 4] as [number, number] }]
  expect(widthsOf({ ...bellyBlade, spine })[0]!.widthMm).toBeCloseTo(24, 2)
})
