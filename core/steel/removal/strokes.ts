import type { Stone } from '../../records/stone/stone'

/** Steel of a full stroke, mm³ for each micrometre of grain. Source: docs/ink.md, "Follow, cut, or step by step". */
const MM3_PER_UM = 2e-4
/** Stones of one grain differ by this factor either way before anything is known of them. */
export const STONES_DIFFER = Math.E
/** A scratch is this deep for each micrometre of grain. */
const SCRATCH_PER_UM = 0.3
export const SECONDS_PER_STROKE = 1.5

export const strokesFor = (removedMm3: number, grainUm: number): number => removedMm3 / (MM3_PER_UM * grainUm)

/**
 * The coarsest stone that is not too coarse: one whose own scratches over the whole face are not deeper than what is to
 * be taken off. Where all are too coarse the finest; null without stones. A strop takes nothing off.
 */
export function coarsestSensible<S extends Pick<Stone, 'grainUm' | 'kind'>>(
  stones: readonly S[],
  removedMm3: number,
  faceMm2: number,
): S | null {
  const byGrain = stones.filter(({ kind }) => kind !== 'strop').sort((a, b) => b.grainUm - a.grainUm)
  return (
    byGrain.find(({ grainUm }) => faceMm2 * SCRATCH_PER_UM * (grainUm / 1000) <= removedMm3) ?? byGrain.at(-1) ?? null
  )
}
