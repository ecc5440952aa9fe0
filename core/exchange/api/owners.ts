import { z } from 'zod'

/** A name that stands on blades as their owner's, and on how many that are in use. */
export const ownerName = z.object({ name: z.string(), blades: z.number() })
export type OwnerName = z.infer<typeof ownerName>
