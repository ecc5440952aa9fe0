import { expect, it } from 'vitest'
import { edgePointAt } from '../../math/curve/edgePoints'
import type { Setup } from '../setup/setup'
import { sampleSetup, tableRig } from '../setup/sampleSetup.fixture'
import { bendsDeg } from './bending'

const middle = edgePointAt(sampleSetup.blade.edge, 40)
const withBlade = (blade: Partial<Setup['blade']>): Setup => ({
  ...sampleSetup,
  blade: { ...sampleSetup.blade, ...blade },
})
/** The blade so far out of the jaws at the middle place, mm. */
const out = (setup: Setup, mm: number): Setup => ({ ...setup, hold: { ...setup.hold, bladeYMm: 28 - mm } })

it('a plate of one thickness gives way as the strip’s integral in closed form says', () => {
  const [thick, far] = [1.2, 24]
  const plate = out(withBlade({ spineThicknessMm: thick, thicknessBehindEdgeMm: thick }), far)
  const shoulder = thick / 2 / Math.tan((20 * Math.PI) / 180)
  const wide = plate.stone.widthMm
  const integral = (x: number) => x / 2 - (wide / 4) * Math.log(wide + 2 * x)
  const slope = ((12 * 5) / (205_000 * thick ** 3)) * (integral(far) - integral(shoulder))
  expect(bendsDeg(plate, middle, 20)!).toBeCloseTo((slope * 180) / Math.PI, 4)
})

it('more the thinner the blade and the farther out; nothing at the jaws, and none on a table', () => {
  const thin = { spineThicknessMm: 1, thicknessBehindEdgeMm: 0.3 }
  expect(bendsDeg(out(withBlade(thin), 24), middle, 20)!).toBeGreaterThan(0.15)
  expect(bendsDeg(out(withBlade({}), 24), middle, 20)!).toBeLessThan(0.05)
  expect(bendsDeg(out(withBlade(thin), 12), middle, 20)!).toBeLessThan(
    bendsDeg(out(withBlade(thin), 24), middle, 20)! / 1.3,
  )
  // Beside the jaws it is as far from them as it is along the blade.
  const tip = edgePointAt(sampleSetup.blade.edge, 97)
  expect(bendsDeg(out(withBlade(thin), 24), tip, 20)!).toBeGreaterThan(
    1.1 * bendsDeg(out(withBlade(thin), 24), middle, 20)!,
  )
  expect(bendsDeg(out(withBlade(thin), 0.3), middle, 20)).toBe(0)
  expect(bendsDeg({ ...withBlade(thin), rig: tableRig }, middle, 20)).toBeNull()
})
