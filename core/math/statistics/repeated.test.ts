import { randomLcg, randomNormal } from 'd3-random'
import { expect, it } from 'vitest'
import { repeated } from './repeated'

it('repeats have a mean, a spread and an uncertainty; a single one has none, and none nothing', () => {
  // Mean 90, deviations −10, 0, 10: spread 10; Student 4.30 at two over √3.
  expect(repeated([80, 90, 100])).toEqual({ mean: 90, spread: 10, uncertainty: expect.closeTo(24.83, 2) })
  expect(repeated([85])).toEqual({ mean: 85, spread: null, uncertainty: null })
  expect(repeated([])).toBeNull()
})

it.each([3, 7, 15])('with %d of them the truth lies inside the stated range in 95 of 100', (cuts) => {
  const normal = randomNormal.source(randomLcg(0.4))(100, 12)
  const trials = 4000
  let inside = 0
  for (let i = 0; i < trials; i++) {
    const { mean, uncertainty } = repeated(Array.from({ length: cuts }, () => normal()))!
    if (Math.abs(mean - 100) <= uncertainty!) inside++
  }
  expect(Math.abs(inside / trials - 0.95)).toBeLessThan(0.012)
})
