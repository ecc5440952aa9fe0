import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { kaplanMeier, medianLife, type Lifetime } from './kaplanMeier'

const ended = (time: number): Lifetime => ({ time, ended: true })
const still = (time: number): Lifetime => ({ time, ended: false })

describe('how long things last', () => {
  /** The textbooks' example: weeks of remission of 21 patients under 6-mercaptopurine, 12 of them still in it. */
  const weeks = [
    ...[6, 6, 6, 7, 10, 13, 16, 22, 23].map(ended),
    ...[6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35].map(still),
  ]
  it('is the published curve of a worked example, with its standard errors', () => {
    const curve = kaplanMeier(weeks)
    expect(curve.map(({ time }) => time)).toEqual([6, 7, 10, 13, 16, 22, 23])
    expect(curve.map(({ atRisk }) => atRisk)).toEqual([21, 17, 15, 12, 11, 7, 6])
    const survivals = [0.857, 0.807, 0.753, 0.69, 0.627, 0.538, 0.448]
    curve.forEach(({ survival }, i) => expect(survival).toBeCloseTo(survivals[i]!, 3))
    const errors = [0.0764, 0.0869, 0.0963, 0.1068, 0.1141, 0.1282, 0.1346]
    curve.forEach(({ deviation }, i) => expect(deviation).toBeCloseTo(errors[i]!, 4))
    expect(curve[0]!.least).toBeCloseTo(0.6197, 3)
    expect(curve[0]!.most).toBeCloseTo(0.9516, 3)
    expect(medianLife(curve)).toEqual({ middle: 23, least: 13, most: null })
  })
  it('without anything that still holds is the plain share that lasted longer', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 1, maxLength: 20 }), (times) => {
        const curve = kaplanMeier(times.map(ended))
        for (const { time, survival, least, most } of curve) {
          expect(survival).toBeCloseTo(times.filter((one) => one > time).length / times.length, 9)
          expect(least).toBeLessThanOrEqual(survival)
          expect(most).toBeGreaterThanOrEqual(survival)
        }
        expect(curve.at(-1)!.survival).toBe(0)
      }),
    )
  })
  it('is not known while nothing has ended, and half of them not while more than half hold', () => {
    expect(kaplanMeier([still(4), still(9)])).toEqual([])
    expect(medianLife([])).toEqual({ middle: null, least: null, most: null })
    expect(medianLife(kaplanMeier([ended(2), still(3), still(5), still(8)])).middle).toBeNull()
    expect(medianLife(kaplanMeier([ended(2)]))).toEqual({ middle: 2, least: 2, most: null })
  })
})
