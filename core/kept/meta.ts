import { z } from 'zod'

/** What every kept thing carries besides its content. */
export const keptMeta = z.object({
  /** UUID version 7: sorted by time, and collections of two machines can be merged. */
  id: z.uuid(),
  /** Counts the writes, from 1. A write names the revision it started from. */
  revision: z.number().int().min(1),
  createdAt: z.iso.datetime(),
  updatedAt: z.iso.datetime(),
  archivedAt: z.iso.datetime().nullable(),
})
export type KeptMeta = z.infer<typeof keptMeta>

/** What a write of an existing thing names: the revision it started from. */
export const startedFrom = z.object({ revision: z.number().int().min(1) })
