import { curveLength } from '../../math/curve/arcLength'
import type { Curve } from '../../math/curve/curve'
import type { Blade } from './blade'

/** An edge never changes; its length is asked for at every place of it. */
const lengths = new WeakMap<Curve, number>()

/** How far along its edge a place lies, from heel (0) to tip (1). `fromHeelMm`: arc length. */
export function shareAlong({ edge }: Pick<Blade, 'edge'>, { fromHeelMm }: { readonly fromHeelMm: number }): number {
  const known = lengths.get(edge)
  const length = known ?? curveLength(edge)
  if (known === undefined) lengths.set(edge, length)
  return length > 0 ? fromHeelMm / length : 0
}
