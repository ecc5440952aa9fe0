import { degrees } from '../../math/units/angle'
import type { Contact } from './contact'

/**
 * How far the scratches of strokes along the rod lean from square to the edge, on the face of the bevel, degrees:
 * positive where they run towards the tip on their way to the edge. The rod runs alongside the face, so what of its
 * reach goes along the edge is the sine. Source: docs/geometry.md, "Which way the scratches run".
 */
export function scratchLeanDeg({ point, outward, foot, reachMm }: Contact): number {
  const alongMm = (point[0] - foot[0]) * outward[1] - (point[1] - foot[1]) * outward[0]
  return degrees(Math.asin(Math.max(-1, Math.min(1, alongMm / reachMm))))
}
