import { bench, describe } from 'vitest'
import { inkSays } from './inkSays'
import type { LookedAt } from './weigh'

const zone = (deg: number): LookedAt => ({
  widthMm: 0.7,
  primaryDeg: 3,
  looks: [
    { setDeg: deg - 1.5, seen: 'shoulder', fraction: 0.2 },
    { setDeg: deg - 0.4, seen: 'shoulder', fraction: 0.6 },
    { setDeg: deg + 0.8, seen: 'apex', fraction: 0.35 },
  ],
})
const settings = Array.from({ length: 33 }, (_, i) => 16 + i / 4)

describe('looks at the ink', () => {
  bench('three at each of four zones on both sides: angles, contradictions, the next of 33 settings', () => {
    const zones = () => [19.2, 20, 20.9, 22].map(zone)
    const task = inkSays({
      faces: [
        { side: 'A', zones: zones() },
        { side: 'B', zones: zones() },
      ],
      terms: { depthUm: [0.4, 4], setUncertaintyDeg: 0.3 },
      side: 'A',
      candidates: settings.map((deg) => ({ setDeg: [deg, deg, deg, deg] })),
      neededDeg: 0.3,
    })
    while (!task.next().done);
  })
})
