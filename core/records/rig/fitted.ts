import { z } from 'zod'
import { moment } from '../../schema/moment'
import { RIG_UNKNOWNS } from './unknowns'
import { mm } from '../../schema/measure'

const half = z.number().positive()
const offset = mm({ least: 0, most: 60 })

/** What the proofs that a rig's measures were calibrated by leave open of them, all together. */
export const rigFitted = z.object({
  at: moment,
  /** The revision that was calibrated. */
  ofRevision: z.number().int().min(1),
  measures: z
    .array(
      z.object({
        id: z.enum(RIG_UNKNOWNS),
        /** Half-width of the range that holds 95 in 100, mm or degrees. */
        uncertainty: half,
        /** The tolerance that stands for it since: where it is another, it was measured anew. Null where none does. */
        written: half.nullable(),
        /** Of a stone: its face offset as it was written down, and as it is on this rig. */
        face: z.object({ stoneId: z.string(), writtenMm: offset, isMm: offset }).nullable(),
      }),
    )
    .max(60),
  /** Between them, −1 to 1. */
  correlation: z.array(z.array(z.number().min(-1).max(1))).max(60),
})
export type RigFitted = z.infer<typeof rigFitted>
