import { z } from 'zod'
import { deg, mm } from '../../schema/measure'

/** How well a traced curve follows its edge, half-widths at 95 in 100. */
export const edgeUncertainty = z.object({
  /** Across the edge. */
  placeMm: mm({ least: 0, most: 20 }),
  /** Of its direction, at even places from heel to tip. */
  headingDeg: z
    .array(deg({ least: 0, most: 90 }))
    .min(2)
    .max(60),
})
export type EdgeUncertainty = z.infer<typeof edgeUncertainty>

/** How well the direction is known at a share of the edge, from heel (0) to tip (1), degrees: straight in between. */
export function headingUncertaintyDeg({ headingDeg }: EdgeUncertainty, share: number): number {
  const at = Math.min(1, Math.max(0, share)) * (headingDeg.length - 1)
  const before = Math.min(headingDeg.length - 2, Math.floor(at))
  return headingDeg[before]! + (at - before) * (headingDeg[before + 1]! - headingDeg[before]!)
}
