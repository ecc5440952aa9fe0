import { z } from 'zod'
import { label, mm, um } from '../../schema/measure'
import { grit } from './grit'

export const STONE_KINDS = ['diamond', 'water', 'oil', 'ceramic', 'film', 'strop'] as const

const offset = mm({ least: 0, most: 60 })

/** A stone of the box as it sits on the rod. */
export const stone = z.object({
  name: label(80),
  notes: z.string().max(4000).default(''),
  kind: z.enum(STONE_KINDS),
  /** As printed on the stone; null where only the grain size is known. */
  grit: grit.nullable().default(null),
  /** Median grain size in micrometres: what sorts the box from coarse to fine. */
  grainUm: um({ above: 0, most: 2000 }),
  /** From the rod's axis to the abrasive face, at the stone's middle. */
  faceOffsetMm: offset,
  /** The same measured at both ends, where it was: the end towards the pivot and the far end. */
  faceOffsetEnds: z.object({ nearMm: offset, farMm: offset }).nullable().default(null),
  /** Half-width of the uncertainty of faceOffsetMm. */
  faceOffsetToleranceMm: mm({ least: 0.01, most: 5 }),
  lengthMm: mm({ above: 0, most: 400 }),
  widthMm: mm({ above: 0, most: 150 }),
  lubricant: z.string().max(80).default(''),
  /** How far the face is hollow in its middle, under a straightedge along it. */
  dishMm: mm({ least: 0, most: 10 }).default(0),
  /** The face offset at which nothing is left to grind with; null where it does not wear down. */
  wornOutAtMm: offset.nullable().default(null),
})
export type Stone = z.infer<typeof stone>
