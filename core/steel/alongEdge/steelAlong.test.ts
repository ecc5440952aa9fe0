import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Zone } from '../../records/blade/zones'
import { starvedZones, steelAlong, strokesOwed, type Worked } from './steelAlong'

const zones: Zone[] = [
  { kind: 'heel', fromMm: 0, toMm: 20 },
  { kind: 'middle', fromMm: 20, toMm: 60 },
  { kind: 'belly', fromMm: 60, toMm: 88 },
  { kind: 'tip', fromMm: 88, toMm: 100 },
]
const worked: Worked = { stretch: { fromMm: 0, toMm: 100 }, zones, stoneWidthMm: 24 }
const full = (count: number) => ({ count, zone: null })
const tip = (count: number) => ({ count, zone: 'tip' as const })

describe('where strokes take steel off', () => {
  it('is all along but for half of the stone at either end, which gets down to half of it', () => {
    const along = steelAlong([full(40)], worked)
    expect([0, 6, 12, 50, 88, 100].map(along)).toEqual([20, 30, 40, 40, 40, 20].map((of) => expect.closeTo(of, 9)))
    expect(steelAlong([], worked)(50)).toBe(0)
  })

  it('is what a stone that goes along it does, step by step', () => {
    const stones = fc.record({
      width: fc.double({ min: 2, max: 150, noNaN: true }),
      placeMm: fc.double({ min: 0, max: 100, noNaN: true }),
      local: fc.constantFrom(...zones),
    })
    fc.assert(
      fc.property(stones, ({ width, placeMm, local }) => {
        const steps = 20_000
        const timeOn = ({ fromMm, toMm }: Pick<Zone, 'fromMm' | 'toMm'>, at: number) => {
          let over = 0
          for (let i = 0; i < steps; i++)
            if (Math.abs(fromMm + ((i + 0.5) / steps) * (toMm - fromMm) - at) <= width / 2) over++
          return over / steps
        }
        const along = steelAlong([full(2), { count: 3, zone: local.kind }], { ...worked, stoneWidthMm: width })
        const all = worked.stretch
        const walked = (2 * timeOn(all, placeMm) + 3 * timeOn(local, placeMm)) / timeOn(all, 50)
        expect(along(placeMm)).toBeCloseTo(walked, 1)
      }),
      { numRuns: 60 },
    )
  })

  it('a narrow stone starves no end; a wide one the tip, until so many local strokes are made there', () => {
    expect(starvedZones([full(60)], { ...worked, stoneWidthMm: 8 })).toEqual([])
    expect(starvedZones([], worked)).toEqual([])
    const [starved, ...others] = starvedZones([full(60)], worked)
    expect([starved!.zone, others]).toEqual(['tip', []])
    expect(starved!.share).toBeCloseTo(0.75, 1)
    expect(starvedZones([full(60), tip(starved!.localStrokes)], worked)).toEqual([])
    expect(starved!.localStrokes).toBeLessThan(10)
    // Half of the edge alone was ground: the other half is the one that starves.
    expect(starvedZones([{ count: 9, zone: 'middle' }], worked).map(({ zone }) => zone)).toContain('tip')
  })

  it('of a long blade is on the stretch that is worked: what lies beyond is not starved', () => {
    const part = { ...worked, stretch: { fromMm: 30, toMm: 80 } }
    expect(steelAlong([full(10)], part)(55)).toBeCloseTo(10, 9)
    expect(steelAlong([full(10)], part)(10)).toBe(0)
    expect(starvedZones([full(10)], part).map(({ zone }) => zone)).not.toContain('heel')
  })
})

it('three full strokes are owed for each local one, and those made after it count', () => {
  expect(strokesOwed([full(60)])).toBe(0)
  expect(strokesOwed([full(60), tip(5)])).toBe(15)
  expect(strokesOwed([tip(5), full(6), tip(1)])).toBe(12)
  expect(strokesOwed([tip(5), full(60), tip(1)])).toBe(3)
})
