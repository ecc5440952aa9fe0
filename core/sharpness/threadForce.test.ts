import { randomLcg, randomNormal } from 'd3-random'
import { expect, it } from 'vitest'
import { threadForce } from './threadForce'

it('repeats have a mean, a spread and a doubt; a single cut has none, and no cut nothing', () => {
  // Mean 90, deviations −10, 0, 10: spread 10; Student 4.30 at two over √3.
  expect(threadForce([80, 90, 100])).toEqual({ meanG: 90, spreadG: 10, doubtG: expect.closeTo(24.83, 2) })
  expect(threadForce([85])).toEqual({ meanG: 85, spreadG: null, doubtG: null })
  expect(threadForce([])).toBeNull()
})

it.each([3, 7, 15])('with %d cuts the true force lies inside the stated range in 95 of 100', (cuts) => {
  const normal = randomNormal.source(randomLcg(0.4))(100, 12)
  const trials = 4000
  let inside = 0
  for (let i = 0; i < trials; i++) {
    const { meanG, doubtG } = threadForce(Array.from({ length: cuts }, () => normal()))!
    if (Math.abs(meanG - 100) <= doubtG!) inside++
  }
  expect(Math.abs(inside / trials - 0.95)).toBeLessThan(0.012)
})
