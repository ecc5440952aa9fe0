import { expect, it } from 'vitest'
import { checked } from '../problem/problem'
import { usableInstrument, zeroOnSideDeg } from './instrument'

const screen = {
  name: 'Screen',
  kind: 'goniometer-screen',
  screenDistanceMm: 250,
  zeroDeg: 0.3,
  doubtDeg: 0.2,
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
