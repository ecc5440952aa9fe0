import { randomLcg, randomNormal, randomUniform } from 'd3-random'
import { expect, it } from 'vitest'
import { heldSetup } from '../../geometry/setup/sampleSetup.fixture'
import { edgePointAt } from '../../math/curve/edgePoints'
import { Z95 } from '../../math/statistics/normal'
import { zonesOfBlade } from '../../records/blade/zones'
import { stoneOrder } from '../../steel/stones/orders'
import { stoneRate, type StoneJob } from '../../steel/stones/rate'
import { toGrind } from './toGrind'

const zones = zonesOfBlade(heldSetup.blade)
const edgePoint = edgePointAt(heldSetup.blade.edge, 40)
const ground = (deg: number, uncertaintyDeg: number) => {
  const sides = [{ side: 'A' as const, wantedDeg: 18, there: { deg, uncertaintyDeg } }]
  const found = toGrind({ setup: heldSetup, edgePoint, zones, sides })
  if (!found.ok) throw new Error(found.code)
  return found.sides
}
const [COARSE, FINE] = [
  { name: 'coarse', kind: 'diamond', grainUm: 45 },
  { name: 'fine', kind: 'water', grainUm: 10 },
] as const

it('strokes on hidden blades land in the plan’s ranges in 86 to 94 of 100', () => {
  const landed = { coarse: 0, fine: 0 }
  const BLADES = 400
  for (let seed = 0; seed < BLADES; seed++) {
    const source = randomLcg(seed / BLADES)
    const [normal, uniform] = [randomNormal.source(source)(0, 1), randomUniform.source(source)]
    const trueDeg = uniform(19.5, 25)()
    const uncertaintyDeg = uniform(0.2, 0.9)()
    const sides = ground(trueDeg + (uncertaintyDeg / Z95) * normal(), uncertaintyDeg)
    const [there] = ground(trueDeg, 0)
    // What nobody sees: what each stone takes, and how deep the first one's scratches are; counts scatter.
    const mm3PerStroke = { coarse: 2e-4 * 45 * Math.exp(normal()), fine: 2e-4 * 10 * Math.exp(normal()) }
    const count = (stone: 'coarse' | 'fine', mm3: number) => (mm3 / mm3PerStroke[stone]) * Math.exp(0.3 * normal())
    const past = Math.floor(uniform(0, 7)())
    const jobs = (stone: 'coarse' | 'fine'): StoneJob[] =>
      Array.from({ length: past }, () => ({ removedMm3: 1, strokes: count(stone, 1) }))
    const rates = {
      coarse: stoneRate(COARSE.grainUm, jobs('coarse')),
      fine: stoneRate(FINE.grainUm, jobs('fine')),
    }
    const plan = stoneOrder<typeof COARSE | typeof FINE>([COARSE, FINE], {
      sides,
      box: [COARSE, FINE],
      pace: 1.5,
      rateOf: ({ name }) => rates[name],
    })
    const needed = { coarse: there!.removedMm3, fine: plan.works[1]!.sides[0]!.removedMm3 }
    for (const { stone, sides: planned } of plan.works) {
      const made = count(stone.name, needed[stone.name])
      const { least, most } = planned[0]!.strokes
      if (made >= least && made <= most) landed[stone.name]++
    }
  }
  for (const stone of ['coarse', 'fine'] as const) {
    expect(landed[stone] / BLADES, stone).toBeGreaterThan(0.86)
    expect(landed[stone] / BLADES, stone).toBeLessThan(0.94)
  }
})
