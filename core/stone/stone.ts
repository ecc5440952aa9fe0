import { z } from 'zod'

export const STONE_KINDS = ['diamond', 'water', 'oil', 'ceramic', 'film', 'strop'] as const

/** A stone of the box as it sits on the rod. */
export const stone = z.object({
  name: z.string().trim().min(1, 'Give the stone a name.').max(80),
  notes: z.string().max(4000).default(''),
  kind: z.enum(STONE_KINDS),
  /** Mean grain size in micrometres: what sorts the box from coarse to fine. */
  grainUm: z.number().positive().max(1000),
  /** From the rod's axis to the abrasive face. */
  faceOffsetMm: z.number().min(0).max(60),
  /** Half-width of the doubt of faceOffsetMm. */
  faceOffsetToleranceMm: z.number().min(0.01).max(5),
  lengthMm: z.number().positive().max(400),
  widthMm: z.number().positive().max(150),
})
export type Stone = z.infer<typeof stone>
