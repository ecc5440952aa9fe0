import { z } from 'zod'
import { count, mm } from '../../schema/measure'

export const STONE_DEEDS = ['measured', 'used', 'flattened', 'cleaned'] as const

/** One line of a stone's wear log: what was measured and done on a day. */
export const stoneWear = z.object({
  on: z.iso.date(),
  did: z.enum(STONE_DEEDS),
  /** As found or left that day; null where it was not measured. */
  faceOffsetMm: mm({ least: 0, most: 60 }).nullable().default(null),
  /** Blades done since the line before. */
  blades: count({ least: 0, most: 10_000 }).default(0),
  note: z.string().max(300).default(''),
})
export type StoneWear = z.infer<typeof stoneWear>
