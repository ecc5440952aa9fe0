import { nth } from '../../math/list'
import { radians } from '../../math/units/angle'
import { othersOn, type InkTerms } from './findBevel'
import { expectedKnown, knownOf, type Known } from './knownFace'
import { neededToDecide } from './neededToDecide'
import { shareTable, FRACTION_STEPS } from './look'
import { depthOdds, depthsOf, weighedFace, type LookedAt } from './weigh'
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
  /**
   * Why to look no further: each face is known as well as is needed; or well enough to say that it is not what is
   * wanted; or no setting of this rig tells more.
   */
  readonly stop: 'known' | 'decided' | 'no-gain' | null
  /** How many looks more are likely to be needed; 0 when it says to stop. */
  readonly looksLeft: number
}

/** What a next look is asked for. */
export interface NextAsk {
  /** The half-width that is good enough, degrees. */
  readonly neededDeg: number
  /** What the edge should have, degrees: a face that is surely not that need not be known better. Null: do not ask. */
  readonly wantedDeg: number | null
  /** The faces that a setting is asked for; the others tell of the hand. */
  readonly asked: { readonly from: number; readonly count: number }
}

/** A look that leaves more than this fraction of the uncertainty is not worth its steel. */
const LEAST_GAIN = 0.97
const MOST_LOOKS = 8
/** So many looks more it took blades whose bevels are known, each time that the uncertainty had to be halved. */
const LOOKS_TO_HALVE = 0.8

/**
 * Which setting leaves the least uncertainty over the faces that matter, expected over all that might be seen there.
 * Where some of the faces that are asked for were looked at, the others do not weigh in: any look tells of them. Where
 * none was, what is expected of each counts. Source: docs/ink.md, "The next setting".
 */
export function nextSetting(
  faces: readonly LookedAt[],
  terms: InkTerms,
  candidates: readonly Candidate[],
  { neededDeg, wantedDeg, asked }: NextAsk,
): NextLook {
  const weighed = faces.map((face) => weighedFace(face, terms.depthUm))
  const { odds } = depthOdds(weighed)
  const isAsked = (i: number) => i >= asked.from && i < asked.from + asked.count
  const noneSeen = weighed.every((face, i) => !face || !isAsked(i))
  const known = weighed.map((face, i): Known | null => {
    const of = nth(faces, i)
    if (!isAsked(i)) return null
    if (face) return knownOf(face, of, othersOn(face, odds), terms)
    return noneSeen && of.expected ? expectedKnown(of.expected, of, odds, terms) : null
  })
  const halfWidth = (sigmaDeg: number) => Math.hypot(Z95 * sigmaDeg, terms.setUncertaintyDeg)
  const means = known.flatMap((face) => face?.meanDeg ?? [])
  const needed = wantedDeg === null ? neededDeg : neededToDecide(means, wantedDeg, neededDeg)
  const worst = (sigmas: readonly (number | null)[]) =>
    Math.max(0, ...sigmas.map((sigma) => (sigma === null ? 0 : halfWidth(sigma))))
  const now = known.map((face) => face && face.sigmaDeg)
  /** How many times as uncertain as it may be the worst face is. */
  const timesNeeded = (sigmas: readonly (number | null)[]) =>
    Math.max(0, ...sigmas.map((sigma) => (sigma === null ? 0 : halfWidth(sigma) / needed)))
  const nowDeg = worst(now)
  const stop = (why: NextLook['stop']): NextLook => ({ best: null, nowDeg, thenDeg: nowDeg, stop: why, looksLeft: 0 })
  if (!noneSeen && timesNeeded(now) <= 1) return stop(nowDeg <= neededDeg ? 'known' : 'decided')

  /** What is left above what is needed, of all faces: one that is known well enough already does not ask for more. */
  const openOf = (sigmas: readonly (number | null)[]) =>
    sigmas.reduce<number>((all, sigma) => all + (sigma === null ? 0 : Math.max(0, halfWidth(sigma) - needed)), 0)
  const sumOf = (sigmas: readonly (number | null)[]) => sigmas.reduce<number>((all, sigma) => all + (sigma ?? 0), 0)
  let best = { at: -1, open: Infinity, after: now }
  const lookDepths = depthsOf(terms.depthUm).ofLooks
  candidates.forEach(({ setDeg }, at) => {
    const after = known.map((face, i) => {
      const faceSetDeg = nth(setDeg, i)
      return face && faceSetDeg !== null ? expectedSigma(face, faceSetDeg, lookDepths) : face && face.sigmaDeg
    })
    const open = openOf(after)
    // Where each of two would do, the one that tells more.
    if (open < best.open || (open === best.open && sumOf(after) < sumOf(best.after))) best = { at, open, after }
  })
  if (best.at < 0 || (!noneSeen && best.open > LEAST_GAIN * openOf(now))) return stop('no-gain')
  const looksLeft = Math.round(1 + LOOKS_TO_HALVE * Math.log2(Math.max(1, timesNeeded(now))))
  return { best: best.at, nowDeg, thenDeg: worst(best.after), stop: null, looksLeft: Math.min(MOST_LOOKS, looksLeft) }
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
