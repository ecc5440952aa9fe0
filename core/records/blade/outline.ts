import { lastOf, nth } from '../../math/list'
import { reversed } from '../../math/curve/reversed'
import { segmentAt } from '../../math/curve/segmentAt'
import { svgPath } from '../../math/curve/svgPath'
import type { Blade } from './blade'

/**
 * The blade's outline as a closed SVG path in the blade frame: edge from heel to tip, back along the spine (straight
 * where it is not known).
 */
export function outlinePath(of: Pick<Blade, 'edge' | 'spine'>): string {
  const edge = svgPath(of.edge)
  if (of.spine) return `${edge} ${svgPath(reversed(of.spine), true)} Z`
  const heel = segmentAt(nth(of.edge, 0), 0).point
  const tip = segmentAt(lastOf(of.edge), 1).point
  return `${edge} L${tip[0]} 0 L${heel[0]} 0 Z`
}
