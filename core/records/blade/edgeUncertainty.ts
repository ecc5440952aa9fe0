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
