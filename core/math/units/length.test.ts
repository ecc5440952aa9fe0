import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { decimalsBackedBy } from './figures'
import { inchFraction, parseLengthMm } from './length'

const mm = (text: string, unit: 'mm' | 'in' = 'mm') => {
  const parsed = parseLengthMm(text, unit)
  return parsed.ok ? Math.round(parsed.value * 1e6) / 1e6 : parsed.code
}

describe('lengths as people type them', () => {
  it.each([
    ['54,5', 54.5],
    ['1.25 in', 31.75],
    ['3cm', 30],
    ['−3', -3],
    ['1 3/16"', 30.1625],
    ['', 'missing'],
    ['about 5', 'not-a-number'],
    ['1/2', 'not-a-number'],
  ])('%j is %j', (text, expected) => expect(mm(text)).toBe(expected))

  it('a bare figure is in the unit in use, and inches may be fractions', () => {
    expect(mm('2', 'in')).toBe(50.8)
    expect(mm('1/2', 'in')).toBe(12.7)
    expect(mm('20 mm', 'in')).toBe(20)
  })
})

describe('lengths as a rule in inches has them', () => {
  it.each([
    [30.1625, '1 3/16'],
    [12.7, '1/2'],
    [50.8, '2'],
    [25.4 / 64, '1/64'],
    [-30.1625, '−1 3/16'],
    [0, '0'],
    [25.3999, '1'],
    [30.3, null],
    [0.1, null],
  ])('%d mm is %j', (of, expected) => expect(inchFraction(of, 0.001)).toBe(expected))

  it('what is shown is within the tolerance, and means what it says when it is typed', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -600, max: 600, noNaN: true }),
        fc.double({ min: 0.001, max: 0.2, noNaN: true }),
        (of, tolerance) => {
          const text = inchFraction(of, tolerance)
          if (text !== null) expect(Math.abs(Number(mm(text, 'in')) - of)).toBeLessThanOrEqual(tolerance + 1e-6)
          else expect(Math.abs(((of / 25.4) * 64) % 1)).toBeGreaterThan((tolerance / 25.4) * 64 - 1e-6)
        },
      ),
    )
  })
})

describe('figures shown', () => {
  it('an uncertainty backs no finer digit than its own decade', () => {
    expect([0.3, 0.1, 0.04, 1.2, 25].map((uncertainty) => decimalsBackedBy(uncertainty))).toEqual([1, 1, 2, 0, 0])
  })
})
