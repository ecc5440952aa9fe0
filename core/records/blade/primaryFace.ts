import type { Blade } from './blade'
import { primaryHalfAngleDeg, slopeDeg } from './primaryHalfAngle'
import type { Side } from '../common/side'

/**
 * How far the flat of a side falls towards the edge against the reference plane, degrees: the primary half-angle; on a
 * blade with a bevel on side A alone the whole taper on A and nothing on its flat back. Source: docs/geometry.md,
 * "Cross-section".
 */
export function primaryFaceDeg(of: Blade, side: Side): number {
  if (of.bevels === 'both') return primaryHalfAngleDeg(of)
  if (side === 'B') return 0
  return slopeDeg(of, of.spineThicknessMm - of.thicknessBehindEdgeMm)
}
