import { describe, expect, it } from 'vitest'
import { finished } from '../../math/finished.fixture'
import { nth } from '../../math/list'
import { isHeavyHand, LIGHT_PASS_UM } from '../../observe/marker/look'
import { followAdvice } from './closedTest'
import { hiddenBlade } from './hiddenBlade'
import type { Level } from '../../log/choices'

const ask = (seed: number, level: Level = 'usual') => ({
  seed,
  level,
  zones: ['heel', 'belly', 'tip'],
  aroundDeg: 20,
  widthMm: 0.7,
  setUncertaintyDeg: 0.3,
})

/**
 * A closed test of many blades is asked for by their number: JAW_TILT_BLADES=1000 npx vitest run
 * core/simulation/standIn.
 */
const BLADES = Number(process.env.JAW_TILT_BLADES ?? 16)

describe('the stand-in bench', () => {
  it('shows the same for the same seed and look, and another thing for another look', () => {
    const [one, again] = [hiddenBlade(ask(0.3)), hiddenBlade(ask(0.3))]
    const looks = (of: typeof one) => [0, 1, 2, 3].map((look) => of.look('B', 'belly', 20.3, look))
    expect(looks(one)).toEqual(looks(again))
    expect(new Set(looks(one).map(({ fraction }) => fraction)).size).toBeGreaterThan(1)
  })

  it('bares the shoulder of a bevel that is steeper than what is set, and the edge of one that is flatter', () => {
    const blade = hiddenBlade(ask(0.7, 'easy'))
    const { shoulderDeg } = blade.face('A', 'tip')
    expect(blade.look('A', 'tip', shoulderDeg - blade.rigErrorDeg - 3, 0).seen).toBe('shoulder')
    expect(blade.look('A', 'tip', shoulderDeg - blade.rigErrorDeg + 3, 0).seen).toBe('apex')
    expect(() => blade.face('A', 'hook')).toThrow('no zone hook')
  })

  it(
    'following the advice finds its bevels: within half a degree in few looks, and as sure as it says',
    () => {
      const results = Array.from({ length: BLADES }, (_, i) => finished(followAdvice(ask((i + 0.5) / BLADES), 0.5)))
      const zones = results.flatMap(([one]) => one!.zones)
      const known = zones.map(({ knownAfter }) => knownAfter ?? Infinity).sort((a, b) => a - b)
      expect(known[known.length >> 1]).toBeLessThanOrEqual(4)
      // Three zones share one rig's error: sixteen blades leave a tenth to chance.
      expect(zones.filter(({ inside }) => inside).length / zones.length).toBeGreaterThan(BLADES < 200 ? 0.85 : 0.93)
      expect(zones.filter(({ offDeg }) => Math.abs(offDeg) <= 0.5).length / zones.length).toBeGreaterThan(0.85)
    },
    BLADES * 10_000,
  )

  it.each([
    ['heavy, its passes reaching 6 to 8 µm', (share: number) => ({ depthUm: 6 + 2 * share, spread: 0.3 }), true],
    [
      'uneven, varying by a factor of two from pass to pass',
      (share: number) => ({ depthUm: 0.4 * 10 ** share, spread: 0.7 }),
      false,
    ],
  ] as const)(
    'a hand that is %s: as sure as it says',
    (_, hand, isHeavy) => {
      const blades = Math.ceil(BLADES / 2)
      const of = Array.from({ length: blades }, (_one, i) => {
        const asked = { ...ask((i + 0.5) / blades), hand: hand((i * 0.618) % 1) }
        return nth(finished(followAdvice(asked, 0.5)), 0)
      })
      const zones = of.flatMap((one) => one.zones)
      expect(zones.filter(({ inside }) => inside).length / zones.length).toBeGreaterThan(BLADES < 200 ? 0.8 : 0.93)
      // The tests themselves show how heavy the hand is.
      const toldHeavy = of.filter(({ depthUm }) => isHeavyHand(depthUm, LIGHT_PASS_UM)).length / blades
      if (isHeavy) expect(toldHeavy).toBeGreaterThan(0.7)
    },
    BLADES * 10_000,
  )

  it('to decide about a wanted angle, three tests of a side are enough at the mean', () => {
    const blades = 8
    const results = Array.from({ length: blades }, (_, i) =>
      finished(followAdvice(ask((i + 0.5) / blades), 0.5, ['A', 'B'], 20)),
    )
    const tests = results.flatMap((sides) => sides.map(({ looks }) => looks))
    expect(tests.reduce((sum, one) => sum + one, 0) / tests.length).toBeLessThanOrEqual(3)
  })
})
