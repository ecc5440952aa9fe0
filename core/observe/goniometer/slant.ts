import { radians } from '../../math/units/angle'
import type { Screen } from './scale'

/**
 * How far the edge's spots stand beside the line of a scale, for each part that they stand up along it, straight across
 * the beam: from `beside` and `along` as lengths on the screen. A drawn scale is bent about the edge; there the spots
 * of an edge that reads so many degrees stand 2a along it, and sin 2a up. Source: docs/goniometer.md, "An edge turned
 * in the beam".
 */
export function slantOf(beside: number, along: number, shownDeg: number, kind: Screen['kind']): number {
  const up = radians(2 * shownDeg)
  return (Math.abs(beside) / along) * (kind === 'flat' ? 1 : up / Math.sin(up))
}
