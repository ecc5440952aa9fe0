import { expect, it } from 'vitest'
import { checked } from '../../schema/problem'
import { twoReadings, usableInstrument, zeroOnSideDeg } from './instrument'

const screen = {
  name: 'Screen',
  kind: 'goniometer-screen',
  screenDistanceMm: 250,
  zeroDeg: 0.3,
  uncertaintyDeg: 0.2,
} as const

it('what shows its spots on a flat screen says how far that stands, and what has none need not', () => {
  expect(checked(usableInstrument, screen).ok).toBe(true)
  expect(checked(usableInstrument, { ...screen, screenDistanceMm: null })).toMatchObject({
    ok: false,
    problems: [{ field: 'screenDistanceMm', code: 'missing' }],
  })
  expect(checked(usableInstrument, { ...screen, kind: 'level-gauge', screenDistanceMm: null }).ok).toBe(true)
})

it('the middle of a goniometer that is off moves both sides one way, a gauge both alike', () => {
  // Both bevels at 20, the pattern 0.3 towards A: it shows 20.3 and 19.7.
  expect([20.3 - zeroOnSideDeg(screen, 'A'), 19.7 - zeroOnSideDeg(screen, 'B')]).toEqual([20, 20])
  const gauge = { kind: 'level-gauge', zeroDeg: 0.3 } as const
  expect([zeroOnSideDeg(gauge, 'A'), zeroOnSideDeg(gauge, 'B')]).toEqual([0.3, 0.3])
})

it('two readings of one bevel, the blade turned end for end, tell the bevel and the zero that is taken off', () => {
  // A bevel of 17 on a scale whose middle is 0.4 off towards A.
  const { bevelDeg, zeroDeg, uncertaintyDeg } = twoReadings(17.4, 16.6, 0.2)
  expect(uncertaintyDeg).toBeCloseTo(0.2 / Math.SQRT2, 12)
  expect(bevelDeg).toBeCloseTo(17, 9)
  expect(17.4 - zeroOnSideDeg({ kind: 'goniometer-scale', zeroDeg }, 'A')).toBeCloseTo(bevelDeg, 9)
  expect(16.6 - zeroOnSideDeg({ kind: 'goniometer-scale', zeroDeg }, 'B')).toBeCloseTo(bevelDeg, 9)
})
