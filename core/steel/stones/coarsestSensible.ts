import { isStrop, scratchDepthUm, type AnyStone } from './orders'

/**
 * The coarsest stone that is not too coarse: one whose own scratches over the whole face are not deeper than what is to
 * be taken off. Where all are too coarse the finest; null without stones. A strop takes nothing off.
 */
export function coarsestSensible<S extends AnyStone>(
  stones: readonly S[],
  removedMm3: number,
  faceMm2: number,
): S | null {
  const byGrain = stones.filter((stone) => !isStrop(stone)).sort((a, b) => b.grainUm - a.grainUm)
  return byGrain.find((stone) => (faceMm2 * scratchDepthUm(stone)) / 1000 <= removedMm3) ?? byGrain.at(-1) ?? null
}
