import { bench, describe } from 'vitest'
import type { Side } from '../../records/common/side'
import { inkSays } from './inkSays'
import type { LookedAt } from './weigh'

/** Set from two degrees below to two above what is there. */
const zone = (deg: number, looks: number): LookedAt => ({
  widthMm: 0.7,
  primaryDeg: 3,
  looks: Array.from({ length: looks }, (_, i) => {
    const over = (4 * (i + 0.4)) / looks - 2
    return { setDeg: deg + over, seen: over < 0 ? 'shoulder' : 'apex', fraction: 0.7 - 0.25 * Math.abs(over) }
  }),
})
const settings = Array.from({ length: 33 }, (_, i) => 16 + i / 4)

describe('looks at the ink', () => {
  const weigh = (sides: readonly Side[], looks: number) => {
    const zones = () => [19.2, 20, 20.9, 22].map((deg) => zone(deg, looks))
    const task = inkSays({
      faces: sides.map((side) => ({ side, zones: zones() })),
      terms: { depthUm: [0.4, 4], setUncertaintyDeg: 0.3 },
      side: 'A',
      candidates: settings.map((deg) => ({ setDeg: [deg, deg, deg, deg] })),
      neededDeg: 0.3,
      wantedDeg: null,
      thoughtDeg: 20,
      before: [],
    })
    while (!task.next().done);
  }
  bench('three at each of four zones on both sides: angles, contradictions, the next of 33 settings', () =>
    weigh(['A', 'B'], 3),
  )
  bench('nine at each of four zones of one side', () => weigh(['A'], 9))
})
