import { expect, it } from 'vitest'
import type { Side } from '../../records/common/side'
import { patternOf, unevenBy, type ShownSide } from './pattern'

const shown = (side: Side, edgeDeg: number, more: Partial<ShownSide> = {}): ShownSide => ({
  side,
  finish: 'crisp',
  edgeDeg,
  fromDeg: edgeDeg,
  toDeg: edgeDeg,
  primaryDeg: null,
  ...more,
})

it('both primary spots take the shift out of the sides; one alone takes nothing out; their sum stands either way', () => {
  const [a, b] = [shown('A', 20.5, { primaryDeg: 3.5 }), shown('B', 19.5, { primaryDeg: 2.5 })]
  const square = patternOf([a, b], 0.1)
  expect(square).toMatchObject({ shiftBy: 'primaries', shiftDeg: 0.5, includedDeg: 40 })
  expect(square.sides.map(({ edgeDeg }) => edgeDeg)).toEqual([20, 20])
  expect(square.sides[0]!.uncertaintyDeg).toBeCloseTo(Math.hypot(0.1, 0.1 / Math.SQRT2), 12)
  const askew = patternOf([a, shown('B', 19.5)], 0.1)
  expect(askew).toMatchObject({ shiftBy: 'not-known', shiftDeg: 0, includedDeg: 40 })
  expect(askew.sides[0]!.uncertaintyDeg).toBeCloseTo(Math.hypot(0.1, 0.5), 12)
  expect(askew.includedUncertaintyDeg).toBeCloseTo(Math.SQRT2 * 0.1, 12)
  expect(patternOf([a], 0.1)).toMatchObject({ includedDeg: null, includedUncertaintyDeg: null })
})

it('half the width of a haze is its uncertainty', () => {
  const hazy = shown('A', 20, { finish: 'hazy', fromDeg: 19.6, toDeg: 20.4 })
  expect(patternOf([hazy], 0.1).sides[0]!.uncertaintyDeg).toBeCloseTo(Math.hypot(0.4, 0.1, 0.5), 12)
})

it('sides are uneven only beyond what both are known to, and half a degree', () => {
  const uneven = (a: number, b: number, readDeg: number) =>
    unevenBy(patternOf([shown('A', a, { primaryDeg: 3 }), shown('B', b, { primaryDeg: 3 })], readDeg))
  expect(uneven(20, 22, 0.1)).toBe(-2)
  expect(uneven(20.4, 20, 0.01)).toBeNull()
  // Each is known to 1.22 times what it is read to: together to 1.73 times.
  expect(uneven(22, 20, 1.1)).toBe(2)
  expect(uneven(22, 20, 1.2)).toBeNull()
  expect(unevenBy(patternOf([shown('A', 20)], 0.1))).toBeNull()
})
