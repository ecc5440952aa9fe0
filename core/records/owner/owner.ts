import { z } from 'zod'
import { label } from '../../schema/measure'

/** Whose blades are sharpened: a person, or an account with many blades. Blades name their owner by its name. */
export const owner = z.object({
  name: label(80),
  /** Telephone, address, which day: as it was told. */
  reach: z.string().trim().max(300).default(''),
  /** What holds for all of their blades. */
  wishes: z.string().trim().max(2000).default(''),
  notes: z.string().max(4000).default(''),
})
export type Owner = z.infer<typeof owner>
