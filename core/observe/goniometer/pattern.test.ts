import { randomLcg, randomNormal } from 'd3-random'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Side } from '../../records/common/side'
import { patternOf as patternRead, unevenBy, type ReadOn, type ShownSide } from './pattern'
import { faceTurnedDeg, shownTurnedDeg, slantOf, turnedByDeg } from './turned'

/** On a drawn scale, the edge seen to be square across the beam. */
const patternOf = (shown: readonly ShownSide[], readDeg: number, more: Partial<ReadOn> = {}) =>
  patternRead(shown, { readDeg, screen: null, slant: 0, ...more })

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
  expect(square.sides[0]!.uncertaintyDeg).toBeCloseTo(Math.hypot(0.1, 0.1 / Math.SQRT2), 4)
  const askew = patternOf([a, shown('B', 19.5)], 0.1)
  expect(askew).toMatchObject({ shiftBy: 'not-known', shiftDeg: 0, includedDeg: 40 })
  expect(askew.sides[0]!.uncertaintyDeg).toBeCloseTo(Math.hypot(0.1, 0.5), 4)
  expect(askew.includedUncertaintyDeg).toBeCloseTo(Math.SQRT2 * 0.1, 4)
  expect(patternOf([a], 0.1)).toMatchObject({ includedDeg: null, includedUncertaintyDeg: null })
})

it('half the width of a haze is its uncertainty', () => {
  const hazy = shown('A', 20, { finish: 'hazy', fromDeg: 19.6, toDeg: 20.4 })
  expect(patternOf([hazy], 0.1).sides[0]!.uncertaintyDeg).toBeCloseTo(Math.hypot(0.4, 0.1, 0.5), 4)
})

it('sides are uneven only beyond what both are known to, and half a degree', () => {
  const uneven = (a: number, b: number, readDeg: number) =>
    unevenBy(patternOf([shown('A', a, { primaryDeg: 3 }), shown('B', b, { primaryDeg: 3 })], readDeg))
  expect(uneven(20, 22, 0.1)).toBeCloseTo(-2, 9)
  expect(uneven(20.4, 20, 0.01)).toBeNull()
  // Each is known to 1.22 times what it is read to: together to 1.73 times.
  expect(uneven(22, 20, 1.1)).toBeCloseTo(2, 9)
  expect(uneven(22, 20, 1.2)).toBeNull()
  expect(unevenBy(patternOf([shown('A', 20)], 0.1))).toBeNull()
})

describe('an edge turned in the beam', () => {
  const FLAT = { kind: 'flat', distanceMm: 200 } as const
  const rad = (deg: number) => (deg * Math.PI) / 180
  /** Where the mirrored ray falls on a flat screen a unit away: beside the scale's line, and along it. */
  function spotOf(deg: number, turnedDeg: number): { beside: number; along: number } {
    const beam = [Math.sin(rad(turnedDeg)), Math.cos(rad(turnedDeg)), 0]
    const aside = [Math.cos(rad(turnedDeg)), -Math.sin(rad(turnedDeg)), 0]
    const normal = [0, -Math.sin(rad(deg)), Math.cos(rad(deg))]
    const dot = (a: number[], b: number[]) => a.reduce((sum, x, i) => sum + x * b[i]!, 0)
    const ray = beam.map((x, i) => x - 2 * dot(beam, normal) * normal[i]!)
    return { beside: dot(ray, aside) / dot(ray, beam), along: ray[2]! / dot(ray, beam) }
  }
  const readOn = ({ along }: { along: number }) => (Math.atan(along) * 90) / Math.PI

  it('reads too flat, by as much as the mirrored ray says, and its spots tell by how much it is turned', () => {
    for (const [turned, reads] of [
      [5, 19.91],
      [10, 19.66],
      [15, 19.23],
    ] as const) {
      expect(shownTurnedDeg(20, turned)).toBeCloseTo(reads, 2)
      expect(readOn(spotOf(20, turned))).toBeCloseTo(shownTurnedDeg(20, turned), 9)
    }
    const angle = fc.double({ min: 8, max: 40, noNaN: true })
    fc.assert(
      fc.property(angle, fc.double({ min: 0.2, max: 15, noNaN: true }), (deg, turned) => {
        const spot = spotOf(deg, turned)
        expect(faceTurnedDeg(readOn(spot), turned)).toBeCloseTo(deg, 9)
        expect(turnedByDeg(slantOf(readOn({ along: spot.beside }), readOn(spot), FLAT), readOn(spot))).toBeCloseTo(
          turned,
          4,
        )
      }),
    )
    expect(turnedByDeg(2, 20)).toBeNaN()
    // A blunt one that lies square reads what it is.
    expect(patternOf([shown('A', 52)], 0.1, { slant: null }).sides[0]!.edgeDeg).toBeCloseTo(52, 9)
    expect(faceTurnedDeg(shownTurnedDeg(52, 8), 8)).toBeCloseTo(52, 9)
  })

  it.each([
    ['nobody looked at', false],
    ['seen', true],
  ])('%s, on a screen known to 2 mm: either angle is inside what is stated in 94 of 100', (_, seen) => {
    const normal = randomNormal.source(randomLcg(0.42))(0, 1)
    const off = (tolerance: number) => (normal() * tolerance) / 1.96
    const within = (from: number, to: number) => from + (to - from) * (0.5 + Math.atan(normal()) / Math.PI)
    const benches = 4000
    const inside = { included: 0, side: 0 }
    for (let i = 0; i < benches; i++) {
      const [a, b, distanceMm] = [within(12, 30), within(12, 30), within(150, 400)]
      const [isMm, turned] = [distanceMm + off(2), off(seen ? 12 : 5)]
      const reading = (deg: number) => {
        const spot = spotOf(deg, turned)
        return { deg: (Math.atan((spot.along * isMm) / distanceMm) * 90) / Math.PI + off(0.1), spot }
      }
      const [onA, onB] = [reading(a), reading(b)]
      const middle = (onA.deg + onB.deg) / 2
      const beside = (Math.abs(onA.spot.beside) + Math.abs(onB.spot.beside)) / 2 + off(0.1) * (Math.PI / 90)
      const slant = seen ? slantOf(readOn({ along: Math.abs(beside) }), middle, FLAT) : null
      const screen = { distanceMm, toleranceMm: 2 }
      const sides = [shown('A', onA.deg, { primaryDeg: 3 }), shown('B', onB.deg, { primaryDeg: 3 })]
      const found = patternOf(sides, 0.1, { screen, slant })
      inside.included += Number(Math.abs(found.includedDeg! - a - b) <= found.includedUncertaintyDeg!)
      inside.side += Number(Math.abs(found.sides[0]!.edgeDeg - a) <= found.sides[0]!.uncertaintyDeg)
    }
    expect(inside.included / benches).toBeGreaterThan(0.935)
    expect(inside.side / benches).toBeGreaterThan(0.935)
  })
})
