import { z } from 'zod'
import { mm } from '../measure/measure'

/** What may be off by as much each time on a rig; a face offset is a stone's. */
export const RIG_UNKNOWNS = ['pivot-height', 'setback', 'setback-b', 'centre-offset', 'tilt', 'face-offset'] as const
export type UnknownId = (typeof RIG_UNKNOWNS)[number]

const half = z.number().positive()
const offset = mm({ least: 0, most: 60 })

/** What the proofs that a rig's measures were mended by leave open of them, all together. */
export const rigFitted = z.object({
  at: z.iso.datetime(),
  measures: z
    .array(
      z.object({
        id: z.enum(RIG_UNKNOWNS),
        stoneId: z.string().nullable(),
        /** Half-width of the range that holds 95 in 100, mm or degrees. */
        doubt: half,
        /** The tolerance that was written down for it: where another stands there, it was measured anew since. */
        written: half.nullable(),
      }),
    )
    .max(60),
  /** Between them, −1 to 1. */
  correlation: z.array(z.array(z.number().min(-1).max(1))).max(60),
  /** What it was before: the rig's revision, and the faces of the stones that were mended with it. */
  was: z.object({
    rigRevision: z.number().int().min(1),
    stones: z
      .array(
        z.object({
          stoneId: z.string(),
          faceOffsetMm: offset,
          faceOffsetEnds: z.object({ nearMm: offset, farMm: offset }).nullable(),
          faceOffsetToleranceMm: half,
        }),
      )
      .max(60),
  }),
})
export type RigFitted = z.infer<typeof rigFitted>
