import { z } from 'zod'
import { grit } from './grit'

export const STONE_KINDS = ['diamond', 'water', 'oil', 'ceramic', 'film', 'strop'] as const

const offset = z
  .number()
  .min(0, 'A face offset is 0 or more.')
  .max(60, 'No stone’s face lies more than 60 mm from its rod.')
const size = (what: string, most: number) =>
  z.number().positive(`The ${what} must be above 0.`).max(most, `A ${what} above ${most} mm is no stone for a rod.`)

export const STONE_DEEDS = ['measured', 'used', 'flattened'] as const

/** One line of a stone's wear log. */
export const stoneEntry = z.object({
  on: z.iso.date('Write the day as year-month-day.'),
  did: z.enum(STONE_DEEDS),
  /** As found or left that day; null where it was not measured. */
  faceOffsetMm: offset.nullable().default(null),
  /** Blades done since the line before. */
  blades: z.number().int().min(0).max(10_000).default(0),
  note: z.string().max(300).default(''),
})
export type StoneEntry = z.infer<typeof stoneEntry>

/** A stone of the box as it sits on the rod. */
export const stone = z.object({
  name: z.string().trim().min(1, 'Give the stone a name.').max(80),
  notes: z.string().max(4000).default(''),
  kind: z.enum(STONE_KINDS),
  /** As printed on the stone; null where only the grain size is known. */
  grit: grit.nullable().default(null),
  /** Median grain size in micrometres: what sorts the box from coarse to fine. */
  grainUm: z.number().positive('The grain size must be above 0.').max(2000),
  /** From the rod's axis to the abrasive face, at the stone's middle. */
  faceOffsetMm: offset,
  /** The same measured at both ends, where it was: the end towards the pivot and the far end. */
  faceOffsetEnds: z.object({ nearMm: offset, farMm: offset }).nullable().default(null),
  /** Half-width of the doubt of faceOffsetMm. */
  faceOffsetToleranceMm: z.number().min(0.01, 'Nothing is measured better than 0.01 mm here.').max(5),
  lengthMm: size('length', 400),
  widthMm: size('width', 150),
  lubricant: z.string().max(80).default(''),
  /** How far the face is hollow in its middle, under a straightedge along it. */
  dishMm: z.number().min(0, 'A dish is 0 or more.').max(10).default(0),
  /** The face offset at which nothing is left to grind with; null where it does not wear down. */
  wornOutAtMm: offset.nullable().default(null),
  /** What was measured and done, oldest first. */
  log: z.array(stoneEntry).max(500).default([]),
})
export type Stone = z.infer<typeof stone>
