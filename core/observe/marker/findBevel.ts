import { keysOf } from '../../schema/keys'
import { nth } from '../../math/list'
import type { FaceKind } from './face'
import {
  BEFORE,
  bell,
  depthOdds,
  depthsOf,
  massOf,
  normalized,
  sumOf,
  weighedFace,
  type DepthRange,
  type Grid,
  type Grids,
  type LookedAt,
  type WeighedFace,
} from './weigh'
import { Z95 } from '../../math/statistics/normal'

/** A range that holds 95 in 100, and its middle, degrees. */
export interface Interval {
  readonly fromDeg: number
  readonly middleDeg: number
  readonly toDeg: number
}

/** What the looks at a face say. */
export interface FoundFace {
  readonly kind: FaceKind
  /** How likely it is of that kind. */
  readonly kindOdds: number
  /** The edge angle: of a flat face its own, of another one that at the apex. */
  readonly angle: Interval
  /** The angle at the shoulder; the edge angle's own where the face is flat. */
  readonly shoulder: Interval
}

export interface BevelFinding {
  /** One for each face; null where nobody looked. */
  readonly faces: readonly (FoundFace | null)[]
  /** Contact depth, micrometres: its middle. */
  readonly depthUm: number
}

/** What is known of the hand and the rig: contact depth, and the half-width of the set angle's uncertainty, degrees. */
export interface InkTerms {
  readonly depthUm: DepthRange
  readonly setUncertaintyDeg: number
}

/**
 * What bevels are there, from what was bare after light passes. The contact depth is shared by all faces; the
 * uncertainty of the set angle, common to all looks of a hold, is folded in at the end. Source: docs/ink.md, "From
 * tests to an angle".
 */
export function findBevel(faces: readonly LookedAt[], { depthUm, setUncertaintyDeg }: InkTerms): BevelFinding {
  const weighed = faces.map((face) => weighedFace(face, depthUm))
  const { odds } = depthOdds(weighed)
  const middle = depthsOf(depthUm).depths.reduce((sum, depth, i) => sum + nth(odds, i) * Math.log(depth), 0)
  return {
    faces: weighed.map((face) => face && foundFace(face.grids, othersOn(face, odds), setUncertaintyDeg)),
    depthUm: Math.exp(middle),
  }
}

/** The others' word on the depth, for one face: all odds without what the face says itself. */
export const othersOn = (face: WeighedFace, odds: readonly number[]): number[] =>
  normalized(odds.map((one, i) => one / nth(face.evidence, i)))

function foundFace(of: Grids, depthOdds: readonly number[], setUncertaintyDeg: number): FoundFace {
  const kinds = keysOf(BEFORE)
  const odds = normalized(
    kinds.map((kind) => BEFORE[kind] * depthOdds.reduce((sum, weight, i) => sum + weight * massOf(of[kind], i), 0)),
  )
  const best = odds.indexOf(Math.max(...odds))
  const kind = nth(kinds, best)
  const at = (fraction: 0 | 0.5 | 1) => intervalOf(of[kind], depthOdds, setUncertaintyDeg, fraction)
  return { kind, kindOdds: nth(odds, best), angle: at(1), shoulder: at(0) }
}

/** The angle at a fraction of the face, shoulder 0 and apex 1, over all growths of a kind. */
function intervalOf(
  grids: readonly Grid[],
  depthOdds: readonly number[],
  setUncertaintyDeg: number,
  fraction: number,
): Interval {
  const { stepDeg } = nth(grids, 0)
  const reach = Math.ceil(setUncertaintyDeg / stepDeg)
  const shifts = grids.map(({ growsDeg }) => Math.round((growsDeg * (fraction - 0.5)) / stepDeg))
  const pad = Math.max(...shifts.map(Math.abs)) + 2 * reach
  const odds = new Float64Array(nth(nth(grids, 0).rows, 0).length + 2 * pad)
  grids.forEach(({ rows }, g) =>
    rows.forEach((row, depth) => {
      const [from, ofDepth] = [pad + nth(shifts, g), nth(depthOdds, depth)]
      row.forEach((one, i) => (odds[i + from]! += one * ofDepth))
    }),
  )
  return shortest(blurred(odds, setUncertaintyDeg / Z95 / stepDeg), nth(grids, 0).fromDeg - pad * stepDeg, stepDeg)
}

/** Odds with a normal uncertainty folded in; sigma in steps. */
function blurred(odds: Float64Array, sigma: number): Float64Array {
  const reach = Math.ceil(3 * sigma)
  const weights = bell(sigma, reach)
  const out = new Float64Array(odds.length)
  odds.forEach((one, i) => {
    if (one === 0) return
    weights.forEach((weight, k) => {
      const to = i + k - reach
      if (to >= 0 && to < out.length) out[to]! += one * weight
    })
  })
  return out
}

/** The shortest range that holds 95 in 100 of the odds, and their median. */
function shortest(odds: Float64Array, fromDeg: number, stepDeg: number): Interval {
  const total = sumOf(odds)
  const upTo = new Float64Array(odds.length + 1)
  odds.forEach((one, i) => (upTo[i + 1] = upTo[i]! + one / total))
  let [best, width, middle] = [0, odds.length, 0]
  let to = 0
  for (let from = 0; from < odds.length; from++) {
    while (to < odds.length && upTo[to]! - upTo[from]! < 0.95) to++
    if (upTo[to]! - upTo[from]! < 0.95) break
    if (to - from < width) [best, width] = [from, to - from]
  }
  while (upTo[middle + 1]! < 0.5) middle++
  // Cell i stands for the angles half a step to both sides of its own.
  const degAt = (edge: number) => fromDeg + (edge - 0.5) * stepDeg
  const within = (0.5 - upTo[middle]!) / (upTo[middle + 1]! - upTo[middle]!)
  return { fromDeg: degAt(best), middleDeg: degAt(middle + within), toDeg: degAt(best + width) }
}
