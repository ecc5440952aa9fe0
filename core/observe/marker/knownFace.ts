import { nth } from '../../math/list'
import type { Expected } from './expected'
import type { InkTerms } from './findBevel'
import { depthsOf, expectedOdds, type LookedAt, type WeighedFace } from './weigh'

/** Odds below this fraction of the highest are left out. */
const FAINT = 5e-3
const CELL_DEG = 0.1
/** An expected angle is looked at so far to both sides, in so many cells. */
const EXPECTED_SIGMAS = 3
const EXPECTED_CELLS = 30

/** What is known of one face: cells over its angle, each with its odds for every depth of a look. */
export interface Known {
  readonly widthMm: number
  readonly cells: readonly { readonly deg: number; readonly odds: Float64Array }[]
  readonly meanDeg: number
  readonly sigmaDeg: number
}

/** A face that nobody looked at yet: what is expected of it, at each depth that a look may have. */
export function expectedKnown(
  expected: Expected,
  { widthMm }: LookedAt,
  depths: readonly number[],
  { depthUm }: InkTerms,
): Known {
  const { spread, ofLooks } = depthsOf(depthUm)
  const ofDepth = new Float64Array(ofLooks.length)
  depths.forEach((weight, d) => spread.forEach((share, k) => (ofDepth[d + k]! += weight * share)))
  const cells = Array.from({ length: 2 * EXPECTED_CELLS + 1 }, (_, i) => {
    const deg = expected.deg + ((i - EXPECTED_CELLS) / EXPECTED_CELLS) * EXPECTED_SIGMAS * expected.sigmaDeg
    return { deg, odds: ofDepth.map((one) => one * expectedOdds(expected, deg)) }
  })
  return { widthMm, cells, meanDeg: expected.deg, sigmaDeg: expected.sigmaDeg }
}
/** What the looks say of a face if it is flat, in coarse cells, over the depths that a further look may have. */
export function knownOf(
  face: WeighedFace,
  { widthMm }: LookedAt,
  others: readonly number[],
  { depthUm }: InkTerms,
): Known {
  const { spread, ofLooks } = depthsOf(depthUm)
  const grid = nth(face.grids.flat, 0)
  const merge = Math.max(1, Math.round(CELL_DEG / grid.stepDeg))
  const cells: { deg: number; odds: Float64Array; mass: number }[] = []
  for (let from = 0; from < nth(grid.rows, 0).length; from += merge) {
    const odds = new Float64Array(ofLooks.length)
    let mass = 0
    grid.rows.forEach((row, d) => {
      let here = 0
      for (let i = from; i < Math.min(row.length, from + merge); i++) here += row[i]!
      here *= others[d]!
      mass += here
      spread.forEach((weight, k) => (odds[d + k]! += here * weight))
    })
    cells.push({ deg: grid.fromDeg + (from + (merge - 1) / 2) * grid.stepDeg, odds, mass })
  }
  const highest = Math.max(...cells.map(({ mass }) => mass))
  const counted = cells.filter(({ mass }) => mass > FAINT * highest)
  const total = counted.reduce((sum, { mass }) => sum + mass, 0)
  const meanDeg = counted.reduce((sum, { deg, mass }) => sum + deg * mass, 0) / total
  const variance = counted.reduce((sum, { deg, mass }) => sum + (deg - meanDeg) ** 2 * mass, 0) / total
  return { widthMm, cells: counted, meanDeg, sigmaDeg: Math.sqrt(variance) }
}
