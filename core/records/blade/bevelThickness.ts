import type { Blade } from './blade'

/**
 * The share of the thickness behind the edge that one bevel takes away, mm: half of it, or all where only side A is
 * bevelled.
 */
export const bevelThicknessMm = (of: Pick<Blade, 'bevels' | 'thicknessBehindEdgeMm'>): number =>
  of.bevels === 'A' ? of.thicknessBehindEdgeMm : of.thicknessBehindEdgeMm / 2
