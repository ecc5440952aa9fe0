import { randomLcg, randomNormal } from 'd3-random'
import { nth } from '../math/list'
import { clamp } from '../math/units/figures'
import type { HoldSpace, Tried } from './holdSpace'

/** How far a first try goes, one standard deviation: along the blade and in depth (mm), in turn (degrees). */
const STEP = { along: 2, turn: 0.6, depth: 0.5 } as const
const TRIES = 12
const BEST_OF_THEM = 6
const MOST_ROUNDS = 90
/** Smaller than this share of the first, steps are done. */
const LEAST_STEP = 0.002
/** It is begun anew, with other tries, for as long as that helps by so much; so many times at the most. */
const GAIN = 1e-4
const MOST_TIMES = 5

/**
 * From a hold at which no step along an axis helps any more to a better one: the greatest deviation has kinks, and down
 * a kinked valley only one narrow direction leads. Learns it from what helped before (covariance matrix adaptation,
 * Hansen 2016). The same each time.
 */
export function polish(space: HoldSpace, from: Tried, mostTimes = MOST_TIMES): Tried {
  const random = randomNormal.source(randomLcg(0.5))(0, 1)
  let best = from
  for (let times = 0; times < mostTimes; times++) {
    const found = adapted(space, best, random)
    if (found.cost > best.cost - GAIN) return found.cost < best.cost ? found : best
    best = found
  }
  return best
}

type Square = number[][]

function adapted({ range, at }: HoldSpace, from: Tried, random: () => number): Tried {
  const { bladeXMm: stretch, turnDeg, onMarks, freeDepthMm: free } = range
  // What can be changed at all: so much for a step of 1.
  const scales = [onMarks ? 0 : STEP.along, STEP.turn, free ? STEP.depth : 0]
  const n = scales.filter((scale) => scale > 0).length
  const tried = (step: readonly number[]): Tried | null =>
    at(
      onMarks ? from.place : clamp(from.place + nth(step, 0) * nth(scales, 0), stretch),
      clamp(from.hold.turnDeg + nth(step, 1) * nth(scales, 1), turnDeg),
      free ? clamp(from.hold.bladeYMm + nth(step, 2) * nth(scales, 2), free) : from.hold.bladeYMm,
    )
  const { weights, counted, cs, cc, c1, cm, damp, usual } = ratesFor(n)
  let [mean, size, best] = [[0, 0, 0], 1, from]
  let [pathS, pathC] = [
    [0, 0, 0],
    [0, 0, 0],
  ]
  let spread: Square = [0, 1, 2].map((i) => [0, 1, 2].map((j) => (i === j ? 1 : 0)))
  for (let round = 0; round < MOST_ROUNDS && size > LEAST_STEP; round++) {
    const root = cholesky(spread)
    const tries = Array.from({ length: TRIES }, () => {
      const z = scales.map((scale) => (scale > 0 ? random() : 0))
      const y = times(root, z)
      return { y, z, found: tried(mean.map((m, i) => m + size * nth(y, i))) }
    })
    const cost = ({ found }: (typeof tries)[number]) => found?.cost ?? Infinity
    tries.sort((a, b) => cost(a) - cost(b))
    const lowest = nth(tries, 0).found
    if (lowest && lowest.cost < best.cost) best = lowest
    const taken = tries.slice(0, BEST_OF_THEM)
    const along = (of: 'y' | 'z') =>
      [0, 1, 2].map((i) => taken.reduce((all, one, k) => all + nth(weights, k) * nth(one[of], i), 0))
    const [y, z] = [along('y'), along('z')]
    mean = mean.map((m, i) => m + size * nth(y, i))
    pathS = pathS.map((p, i) => (1 - cs) * p + Math.sqrt(cs * (2 - cs) * counted) * nth(z, i))
    const far = Math.hypot(...pathS)
    const goesOn = far / Math.sqrt(1 - (1 - cs) ** (2 * (round + 1))) < (1.4 + 2 / (n + 1)) * usual ? 1 : 0
    pathC = pathC.map((p, i) => (1 - cc) * p + goesOn * Math.sqrt(cc * (2 - cc) * counted) * nth(y, i))
    spread = spread.map((row, i) =>
      row.map(
        (one, j) =>
          (1 - c1 - cm) * one +
          c1 * nth(pathC, i) * nth(pathC, j) +
          cm * taken.reduce((all, { y: v }, k) => all + nth(weights, k) * nth(v, i) * nth(v, j), 0),
      ),
    )
    size *= Math.exp((cs / damp) * (far / usual - 1))
  }
  return best
}

/** How much is learnt from each round in so many dimensions: the names and the usual values are Hansen's. */
function ratesFor(n: number) {
  const raw = Array.from({ length: BEST_OF_THEM }, (_, i) => Math.log(BEST_OF_THEM + 0.5) - Math.log(i + 1))
  const sum = raw.reduce((all, one) => all + one, 0)
  const weights = raw.map((one) => one / sum)
  const counted = 1 / weights.reduce((all, one) => all + one * one, 0)
  const cs = (counted + 2) / (n + counted + 5)
  const c1 = 2 / ((n + 1.3) ** 2 + counted)
  return {
    weights,
    counted,
    cs,
    cc: (4 + counted / n) / (n + 4 + (2 * counted) / n),
    c1,
    cm: Math.min(1 - c1, (2 * (counted - 2 + 1 / counted)) / ((n + 2) ** 2 + counted)),
    damp: 1 + cs,
    usual: Math.sqrt(n) * (1 - 1 / (4 * n) + 1 / (21 * n * n)),
  }
}

/** The lower triangle whose square is a symmetric matrix; directions that it has not are left out. */
function cholesky(of: Square): Square {
  const root: Square = of.map((row) => row.map(() => 0))
  for (const [i, row] of root.entries())
    for (const [j, above] of root.slice(0, i + 1).entries()) {
      const before = row.slice(0, j).reduce((sum, one, k) => sum + one * nth(above, k), 0)
      const rest = nth(nth(of, i), j) - before
      const pivot = nth(above, j)
      row[j] = i === j ? Math.sqrt(Math.max(0, rest)) : pivot > 1e-12 ? rest / pivot : 0
    }
  return root
}

const times = (of: Square, by: readonly number[]): number[] =>
  of.map((row) => row.reduce((sum, one, i) => sum + one * nth(by, i), 0))
