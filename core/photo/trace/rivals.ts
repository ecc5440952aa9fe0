import { nth } from '../../math/list'
import { dot } from '../../math/vector/vec2'
import { radians } from '../../math/units/angle'
import { APART, type ProfilePlace } from './profiles'

// Whether something else beside the outline could as well be it: a shadow, a second line, a bevel as bright as paper.

/**
 * Another jump so far off that stands out of the noise could as well be the outline: one of the same kind, or one of
 * the other kind, which makes a dark band of what lies between, a shadow, where it is not as strong as that of the
 * blade's other side.
 */
const RIVAL = { beyondPx: 5, mostOfOther: 0.8 } as const

/**
 * So far outside of the outline a faint jump that goes along with it for so many places to either side is a bevel
 * nearly as bright as the paper: from so many levels on, and so many times what the noise makes of their mean.
 */
const FAINT = { beyondPx: 8, places: 20, least: 1.5, timesNoise: 5 } as const

/** So far beyond its reach a jump is followed, to see how much brighter it gets in all. */
export const BESIDE_PX = 8

/** What is averaged along the chain reaches beyond its ends and over its marks by so many places. */
const ENDS = 3

/** A mark where the outline turns by more than this is a corner and stays sharp. */
export const CORNER_DEG = 15

/** Around an end or a corner of the chain there is something else beside it, which is no rival: judged further in. */
export function judgedAt(places: readonly ProfilePlace[], i: number): number {
  for (let off = 0; off < ENDS; off++)
    for (const at of [i - off, i + off]) {
      const [a, b] = [places[at - 1]?.direction, places[at]?.direction]
      const turns = !a || !b || dot(a, b) < Math.cos(radians(CORNER_DEG))
      const further = i < at ? at - ENDS - 1 : at + ENDS
      if (turns && places[further]) return further
    }
  return i
}

/**
 * Whether another jump within reach could as well be the outline as the best one; of the same kind none, where a hand
 * has said which of two lines it is.
 */
export function hasRival(across: Float64Array, best: number, least: number, lineSaid: boolean): boolean {
  const sign = Math.sign(across[best]!)
  return across.some((other, k) => {
    const beside = k < BESIDE_PX || k >= across.length - BESIDE_PX
    if (beside || Math.abs(k - best) <= RIVAL.beyondPx) return false
    if (Math.abs(other) <= least) return false
    return sign * other > 0 ? !lineSaid : isShadow(across, best, k)
  })
}

/**
 * Whether a jump of the other kind is that from a shadow to the blade, not that from the blade's other side to the
 * paper: by how much brighter it gets over all of it, which is less than at the outline.
 */
function isShadow(across: Float64Array, best: number, other: number): boolean {
  const [here, there] = [wholeJump(across, best), wholeJump(across, other)]
  return Math.abs(there) < RIVAL.mostOfOther * Math.abs(here)
}

/** How much brighter it gets over a jump, from where it begins to where it ends; Infinity: that is out of sight. */
function wholeJump(across: Float64Array, at: number): number {
  const sign = Math.sign(across[at]!)
  let sum = across[at]!
  for (const step of [-1, 1]) {
    let k = at + step
    for (; sign * (across[k] ?? 0) > 0; k += step) sum += across[k]!
    if (k < 0 || k >= across.length) return Infinity
  }
  return sum
}

/** Of each place, whether a faint jump goes along with the outline on its outer side. */
export function faintBeyond(
  jumps: readonly Float64Array[],
  row: readonly number[],
  outward: readonly number[],
  noise: number,
): boolean[] {
  const { beyondPx, places, least, timesNoise } = FAINT
  return jumps.map((across, i) => {
    if (outward[i] === 0) return false
    const [from, to] = [Math.max(0, i - places), Math.min(jumps.length, i + places + 1)]
    const limit = Math.max(least, (timesNoise * noise) / Math.sqrt(Math.max(1, (to - from) / APART)))
    for (let off = beyondPx; off < across.length; off++) {
      let [sum, count] = [0, 0]
      for (let j = from; j < to; j++) {
        const jump = nth(jumps, j)[nth(row, j) + nth(outward, j) * off]
        if (jump === undefined) continue
        sum += jump
        count++
      }
      if (count > (to - from) / 2 && Math.abs(sum / count) > limit) return true
    }
    return false
  })
}
