import { nth } from '../../math/list'
import { radians } from '../../math/units/angle'
import { othersOn, type InkTerms } from './findBevel'
import { shareTable, FRACTION_STEPS } from './look'
import { depthOdds, depthsOf, weighedFace, type LookedAt, type WeighedFace } from './weigh'
import { Z95 } from '../../math/statistics/normal'

/** A setting that a rig can dial, by what it gives on each face, degrees; null where it gives none. */
export interface Candidate {
  readonly setDeg: readonly (number | null)[]
}

/** What one more look would be worth. */
export interface NextLook {
  /** Of the candidates; null: none would tell more than is known, or no look is needed. */
  readonly best: number | null
  /** Half-width of what is known now, and expected after that look: the worst of the faces, degrees. */
  readonly nowDeg: number
  readonly thenDeg: number
  /** Why to look no further: each face is known as well as is needed, or no setting of this rig tells more. */
  readonly stop: 'known' | 'no-gain' | null
  /** How many looks more are likely to be needed; 0 when it says to stop. */
  readonly looksLeft: number
}

/** A look that leaves more than this fraction of the uncertainty is not worth its steel. */
const LEAST_GAIN = 0.97
const MOST_LOOKS = 8
/** Odds below this fraction of the highest are left out. */
const FAINT = 5e-3
const CELL_DEG = 0.1

/** What is known of one face: cells over its angle, each with its odds for every depth of a look. */
interface Known {
  readonly widthMm: number
  readonly cells: readonly { readonly deg: number; readonly odds: Float64Array }[]
  readonly sigmaDeg: number
}

/**
 * Which setting leaves the least uncertainty over the faces that matter, expected over all that might be seen there.
 * Faces nobody has looked at yet do not weigh in: any look tells of them. `neededDeg`: the half-width that is good
 * enough. `asked`: the faces that a setting is asked for; the others tell of the hand. Source: docs/ink.md, "The next
 * setting".
 */
export function nextSetting(
  faces: readonly LookedAt[],
  terms: InkTerms,
  candidates: readonly Candidate[],
  neededDeg: number,
  asked: { readonly from: number; readonly count: number } = { from: 0, count: faces.length },
): NextLook {
  const weighed = faces.map((face) => weighedFace(face, terms.depthUm))
  const { odds } = depthOdds(weighed)
  const isAsked = (i: number) => i >= asked.from && i < asked.from + asked.count
  const known = weighed.map((face, i) =>
    face && isAsked(i) ? knownOf(face, nth(faces, i), othersOn(face, odds), terms) : null,
  )
  const halfWidth = (sigmaDeg: number) => Math.hypot(Z95 * sigmaDeg, terms.setUncertaintyDeg)
  const worst = (sigmas: readonly (number | null)[]) =>
    Math.max(0, ...sigmas.map((sigma) => (sigma === null ? 0 : halfWidth(sigma))))
  const nowDeg = worst(known.map((face) => face && face.sigmaDeg))
  if (nowDeg <= neededDeg) return { best: null, nowDeg, thenDeg: nowDeg, stop: 'known', looksLeft: 0 }

  let best = { at: -1, sum: Infinity, thenDeg: nowDeg }
  const lookDepths = depthsOf(terms.depthUm).ofLooks
  candidates.forEach(({ setDeg }, at) => {
    const after = known.map((face, i) => {
      const faceSetDeg = nth(setDeg, i)
      return face && faceSetDeg !== null ? expectedSigma(face, faceSetDeg, lookDepths) : face && face.sigmaDeg
    })
    // A face that is known well enough already does not ask for more.
    const sum = after.reduce<number>(
      (all, sigma) => all + (sigma === null ? 0 : Math.max(0, halfWidth(sigma) - neededDeg)),
      0,
    )
    if (sum < best.sum) best = { at, sum, thenDeg: worst(after) }
  })
  const open = known.reduce((sum, face) => sum + (face ? Math.max(0, halfWidth(face.sigmaDeg) - neededDeg) : 0), 0)
  if (best.at < 0 || best.sum > LEAST_GAIN * open)
    return { best: null, nowDeg, thenDeg: nowDeg, stop: 'no-gain', looksLeft: 0 }
  const shrinks = best.thenDeg / nowDeg
  const looksLeft = shrinks >= 1 ? MOST_LOOKS : Math.ceil(Math.log(neededDeg / nowDeg) / Math.log(shrinks))
  return {
    best: best.at,
    nowDeg,
    thenDeg: best.thenDeg,
    stop: null,
    looksLeft: Math.min(MOST_LOOKS, Math.max(1, looksLeft)),
  }
}

/** The odds of the flat faces, in coarse cells, over the depths that a further look may have. */
function knownOf(face: WeighedFace, { widthMm }: LookedAt, others: readonly number[], { depthUm }: InkTerms): Known {
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
  return { widthMm, cells: counted, sigmaDeg: sigmaOf(counted.map(({ deg, mass }) => [deg, mass])) }
}

function sigmaOf(weighted: readonly (readonly [deg: number, mass: number])[]): number {
  const total = weighted.reduce((sum, [, mass]) => sum + mass, 0)
  const mean = weighted.reduce((sum, [deg, mass]) => sum + deg * mass, 0) / total
  return Math.sqrt(weighted.reduce((sum, [deg, mass]) => sum + (deg - mean) ** 2 * mass, 0) / total)
}

/** The standard deviation that one more look at a setting leaves, over all that may be seen there. */
function expectedSigma({ cells, widthMm }: Known, setDeg: number, lookDepths: readonly number[]): number {
  const { outcomes, rows } = shareTable()
  // Of each outcome, at the shoulder and at the apex: mass, mean and square of the angle.
  const sums = new Float64Array(2 * outcomes * 3)
  const inWidths = lookDepths.map((depthUm) => depthUm / 1000 / widthMm)
  for (const { deg, odds } of cells) {
    const over = radians(deg - setDeg)
    const at = (over > 0 ? 0 : 1) * outcomes
    for (let d = 0; d < odds.length; d++) {
      const row = rows[Math.round(Math.min(1, inWidths[d]! / Math.max(1e-9, Math.abs(over))) * FRACTION_STEPS)]!
      for (let o = 0; o < outcomes; o++) {
        const mass = odds[d]! * row[o]!
        // All bare looks alike from both sides.
        const k = 3 * (o === outcomes - 1 ? o : at + o)
        sums[k]! += mass
        sums[k + 1]! += mass * deg
        sums[k + 2]! += mass * deg * deg
      }
    }
  }
  let [total, variance] = [0, 0]
  for (let k = 0; k < sums.length; k += 3) {
    if (sums[k]! <= 0) continue
    total += sums[k]!
    variance += Math.max(0, sums[k + 2]! - sums[k + 1]! ** 2 / sums[k]!)
  }
  return Math.sqrt(variance / total)
}
