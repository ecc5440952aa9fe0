import { z } from 'zod'

/** Half of what its column holds: one that a file brings can be written over as often again. */
export const MOST_REVISION = 1_000_000_000
export const revision = z.number().int().min(1).max(MOST_REVISION)

/** What every record carries besides its content. */
export const recordMeta = z.object({
  /** UUID version 7: sorted by time, and collections of two machines can be merged. */
  id: z.uuid(),
  /** Counts the writes, from 1. A write names the revision it started from. */
  revision,
  createdAt: z.iso.datetime(),
  updatedAt: z.iso.datetime(),
  archivedAt: z.iso.datetime().nullable(),
})

/** What a write of an existing record names: the revision it started from. */
export const startedFrom = z.object({ revision })
