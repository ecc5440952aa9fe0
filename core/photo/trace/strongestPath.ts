import { nth } from '../../math/list'
import { middleOf } from '../../math/statistics/robust'
import type { ProfilePlace } from './profiles'

/** From place to place the outline moves by no more than this across; more at a mark, where its direction changes. */
const MOST_STEP_PX = 2

const MOST_STEP_AT_MARK_PX = 6

/** A pixel of such a step weighs as much as this share of the usual jump. */
const STEP_WEIGHT = 0.08

/**
 * The row of offsets, one a place, with the strongest jumps of a sign and the fewest steps, by dynamic programming
 * (Bellman 1957). Source: docs/geometry.md, "Tracing a photograph".
 */
export function strongestPath(
  jumps: readonly Float64Array[],
  places: readonly ProfilePlace[],
  reach: number,
  sign: number,
  least: number,
): { offsets: number[]; strength: number } {
  const width = 2 * reach + 1
  const usual = middleOf(jumps.map((across) => Math.max(...across.map((jump) => sign * jump))))
  // Near the marks is likelier than far off.
  const near = Float64Array.from({ length: width }, (_, i) => Math.exp(-(((i - reach) / (1.2 * reach)) ** 2)))
  const score = (i: number, k: number) =>
    Math.max(0, Math.min(2 * usual, sign * nth(jumps, i)[k]!) - least / 2) * near[k]!
  let best = Float64Array.from({ length: width }, (_, k) => (jumps.length > 0 ? score(0, k) : 0))
  const from: Int16Array[] = []
  for (let i = 1; i < jumps.length; i++) {
    const atMark = nth(places, i).mark
    const most = atMark ? MOST_STEP_AT_MARK_PX : MOST_STEP_PX
    const weight = STEP_WEIGHT * usual * (atMark ? 0.2 : 1)
    const next = new Float64Array(width)
    const came = new Int16Array(width)
    for (let k = 0; k < width; k++) {
      let [top, at] = [-Infinity, k]
      for (let step = -most; step <= most; step++) {
        const before = best[k + step]
        if (before === undefined) continue
        const value = before - weight * step * step
        if (value > top) [top, at] = [value, k + step]
      }
      next[k] = top + score(i, k)
      came[k] = at
    }
    best = next
    from.push(came)
  }
  let at = best.indexOf(Math.max(...best))
  const strength = best[at] ?? 0
  const offsets = [at]
  for (let i = from.length - 1; i >= 0; i--) offsets.unshift((at = nth(from, i)[at]!))
  return { offsets, strength }
}
