import { describe, expect, it } from 'vitest'
import { threshold } from '../../use/threshold'
import reference from './fixtures/learning.json'
import { stoneRate, strokesToRemove } from './rate'

describe('what a stone takes is learned from its own jobs', () => {
  /** Each job, as it was forecast from those before it. */
  const forecasts = reference.stones.flatMap(({ grainUm, jobs }) =>
    jobs.map((job, i) => {
      const rate = stoneRate(grainUm, jobs.slice(0, i))
      return { i, of: job.strokes, range: strokesToRemove(job.removedMm3, rate) }
    }),
  )
  it('the next count lies in the 90% range in 86 to 94 of 100', () => {
    const inside = forecasts.filter(({ of, range }) => of >= range.least && of <= range.most)
    expect(inside.length / forecasts.length).toBeGreaterThan(0.86)
    expect(inside.length / forecasts.length).toBeLessThan(0.94)
  })
  it('after eight jobs the true rate lies within what is said of it in 95 of 100', () => {
    const off = reference.stones.filter(({ grainUm, jobs, trueMm3PerStroke }) => {
      const { mm3PerStroke, deviationLn } = stoneRate(grainUm, jobs)
      return Math.abs(Math.log(trueMm3PerStroke / mm3PerStroke)) > 1.96 * deviationLn
    })
    expect(off.length / reference.stones.length).toBeLessThanOrEqual(0.1)
  })
  it('a range narrows from 5 times either way to 1.7', () => {
    const factor = (jobs: number) => {
      const { middle, most } = strokesToRemove(1, stoneRate(10, Array(jobs).fill({ removedMm3: 1, strokes: 500 })))
      return most / middle
    }
    expect(factor(0)).toBeCloseTo(5.6, 1)
    expect(factor(8)).toBeCloseTo(1.69, 1)
    expect(stoneRate(10, [{ removedMm3: 0, strokes: 20 }])).toEqual(stoneRate(10, []))
  })
})

describe('where the edge of a blade fails is learned from its own uses', () => {
  for (const { name, startingRangeDeg, uses, threshold90 } of reference.blades)
    it(name, () => {
      const used = uses.map(({ angleDeg, outcome }) => ({ deg: angleDeg, failed: outcome !== 'held' }))
      const [least, most] = startingRangeDeg as [number, number]
      const known = threshold([least, most], used)
      const found = [known.leastDeg, known.middleDeg, known.mostDeg]
      found.forEach((deg, i) => expect(Math.abs(deg - threshold90[i]!)).toBeLessThan(0.1))
    })
})
