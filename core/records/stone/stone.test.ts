import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { grainSize, GRIT_STANDARDS, nearestGrit } from './grit'
import { plainStone } from '../../geometry/setup/sampleSetup.fixture'
import { cleaningDue } from './care'
import type { StoneWear } from './wear'
import { stoneCondition } from './condition'
import { faceTiltDeg, middleOffsetMm } from './taper'

const um = (standard: (typeof GRIT_STANDARDS)[number], number: number) => {
  const size = grainSize({ standard, number })
  return size.ok ? size.um : size.code
}

it('the face at the middle of a dished stone lies under the line between its ends', () => {
  expect(middleOffsetMm(6.2, 6, 0.4)).toBeCloseTo(5.7, 9)
})

describe('grits by their standards', () => {
  it('gives the standards’ own values', () => {
    expect(um('FEPA P', 80)).toBe(201)
    expect(um('FEPA P', 240)).toBe(58.5)
    expect(um('FEPA F', 120)).toBe(109)
    expect(um('JIS', 220)).toBe(58)
    expect(um('ANSI', 220)).toBe(66)
    expect(um('FEPA P', 1200)).toBe(15.3)
    expect(um('FEPA F', 600)).toBe(9.3)
    expect(um('FEPA F', 1200)).toBe(3)
    expect(um('JIS', 1000)).toBe(11.5)
    expect(um('JIS', 8000)).toBe(1.2)
    expect(um('ANSI', 600)).toBe(16)
  })

  it('the same number means another grain in each standard', () => {
    expect(GRIT_STANDARDS.map((standard) => um(standard, 1000))).toEqual([18.3, 4.5, 11.5, 9.2])
  })

  it('a number between two of the standard’s lies between their sizes; one outside is refused with the range', () => {
    expect(um('JIS', 5000)).toBeGreaterThan(2)
    expect(um('JIS', 5000)).toBeLessThan(3)
    expect(grainSize({ standard: 'FEPA F', number: 3000 })).toEqual({
      ok: false,
      code: 'grit-out-of-range',
      figures: { standard: 'FEPA F', coarsest: 16, finest: 2000 },
    })
    expect(um('JIS', 12)).toBe('grit-out-of-range')
    expect([um('JIS', 16), um('FEPA F', 2000)]).toEqual([1230, 1.2])
    // Half way between two in the logarithms: the geometric mean of both numbers has that of both sizes.
    expect(um('JIS', Math.sqrt(4000 * 6000))).toBeCloseTo(Math.sqrt(3 * 2), 9)
    expect(um('JIS', Math.sqrt(16 * 20))).toBeCloseTo(Math.sqrt(1230 * 1040), 6)
  })

  it('the nearest grit is nearest by ratio, and none a step beyond the ends', () => {
    const nearest = (size: number) => nearestGrit(size, 'JIS')?.number ?? null
    expect([nearest(Math.sqrt(3 * 2) * 1.01), nearest(Math.sqrt(3 * 2) * 0.99)]).toEqual([4000, 6000])
    expect([nearest(1230 * 1.19), nearest(1230 * 1.21), nearest(1.2 / 1.19), nearest(1.2 / 1.21)]).toEqual([
      16,
      null,
      8000,
      null,
    ])
  })

  it('a higher number is a finer grain, and nearest and size are each other’s inverse', () => {
    fc.assert(
      fc.property(fc.constantFrom(...GRIT_STANDARDS), fc.integer({ min: 240, max: 1199 }), (standard, number) => {
        const [coarser, finer] = [um(standard, number), um(standard, number + 1)]
        expect(coarser).toBeGreaterThan(finer as number)
      }),
    )
    for (const standard of GRIT_STANDARDS)
      expect(nearestGrit(um(standard, 400) as number, standard)).toEqual({ standard, number: 400 })
    expect(nearestGrit(0.25, 'FEPA P')).toBeNull()
  })
})

describe('a tapered stone', () => {
  it('tilts its face by its taper over its length', () => {
    expect(faceTiltDeg(6, 6, 150)).toBe(0)
    expect(faceTiltDeg(5.8, 6.2, 150)).toBeCloseTo((0.4 / 150) * (180 / Math.PI), 4)
    expect(faceTiltDeg(6.2, 5.8, 150)).toBeLessThan(0)
  })
})

describe('how a stone stands', () => {
  const stone = { ...plainStone, faceOffsetMm: 6, wornOutAtMm: 4 }
  const entry = (faceOffsetMm: number | null, blades: number) => ({
    on: '2026-05-01',
    did: 'used' as const,
    faceOffsetMm,
    blades,
    note: '',
  })

  it('tells its wear for each blade from the first measure to the last, and how many blades are left', () => {
    const worn = stoneCondition(stone, [entry(7, 5), entry(null, 30), entry(6, 20)])
    expect(worn).toMatchObject({ wearPerBladeMm: 0.02, leftMm: 2, bladesLeft: 100, due: 'nothing' })
    expect(stoneCondition(stone, [entry(6, 20)]).bladesLeft).toBeNull()
  })

  it('is due for flattening once taper and dish tilt the angle by more than a fifth of a degree, for replacement once worn', () => {
    expect(stoneCondition({ ...stone, dishMm: 0.1 }, [])).toMatchObject({ due: 'nothing' })
    expect(stoneCondition({ ...stone, dishMm: 0.1, faceOffsetEnds: { nearMm: 5.9, farMm: 6.1 } }, [])).toMatchObject({
      due: 'flatten',
    })
    expect(stoneCondition({ ...stone, faceOffsetMm: 4.1 }, [entry(6, 0), entry(4.1, 90)]).due).toBe('replace-soon')
    expect(stoneCondition({ ...stone, faceOffsetMm: 3.9 }, []).due).toBe('replace')
  })

  it('tells no wear where the log cannot: one measure, no blades, or a face that did not go down', () => {
    const wear = (...log: ReturnType<typeof entry>[]) => stoneCondition(stone, log).wearPerBladeMm
    expect([wear(), wear(entry(null, 9)), wear(entry(7, 9)), wear(entry(null, 4), entry(7, 9))]).toEqual([
      null,
      null,
      null,
      null,
    ])
    expect(wear(entry(7, 5), entry(6, 0))).toBeNull()
    expect(wear(entry(6, 5), entry(6, 8))).toBeNull()
    expect(wear(entry(6, 5), entry(6.5, 8))).toBeNull()
    // Blades done before the first measure and after the last do not count.
    expect(wear(entry(null, 50), entry(7, 5), entry(6, 10), entry(null, 70))).toBeCloseTo(0.1, 12)
  })

  it('lasts as long as there is something left, where that is known', () => {
    const log = [entry(7, 5), entry(6, 20)]
    expect(stoneCondition({ ...stone, wornOutAtMm: null }, log)).toMatchObject({
      leftMm: null,
      bladesLeft: null,
      due: 'nothing',
    })
    const left = (faceOffsetMm: number) => stoneCondition({ ...stone, faceOffsetMm }, log)
    expect(left(4.51)).toMatchObject({ bladesLeft: 10, due: 'nothing' })
    expect(left(4.49)).toMatchObject({ bladesLeft: 9, due: 'replace-soon' })
    expect(left(4)).toMatchObject({ leftMm: 0, due: 'replace' })
    expect(stoneCondition({ ...stone, faceOffsetEnds: { nearMm: 6.3, farMm: 5.7 } }, [])).toMatchObject({
      taperDeg: expect.closeTo(-0.2292, 3),
      dishDeg: 0,
      due: 'flatten',
    })
  })
})

describe('cleaning', () => {
  const line = (did: StoneWear['did'], blades = 0): StoneWear => ({
    ...{ on: '2026-01-01', did, faceOffsetMm: null, blades, note: '' },
  })
  it('is due after as many blades as there usually are between two cleanings, once there is a habit', () => {
    const habit = [line('used', 9), line('cleaned'), line('used', 4), line('cleaned'), line('used', 6), line('cleaned')]
    expect(cleaningDue([...habit, line('used', 3)])).toBeNull()
    expect(cleaningDue([...habit, line('used', 2), line('used', 2)])).toEqual({ blades: 4, usual: 4 })
    expect(cleaningDue([line('cleaned'), line('used', 90)])).toBeNull()
    expect(cleaningDue([line('cleaned'), line('cleaned'), line('used', 90)])).toBeNull()
    expect(cleaningDue([])).toBeNull()
  })
})
