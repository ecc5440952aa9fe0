import { nth } from '../../math/list'
import type { EdgeUncertainty } from './edgeUncertainty'

/** How well the direction is known at a share of the edge, from heel (0) to tip (1), degrees: straight in between. */
export function headingUncertaintyDeg({ headingDeg }: EdgeUncertainty, share: number): number {
  const at = Math.min(1, Math.max(0, share)) * (headingDeg.length - 1)
  const before = Math.min(headingDeg.length - 2, Math.floor(at))
  return nth(headingDeg, before) + (at - before) * (nth(headingDeg, before + 1) - nth(headingDeg, before))
}
