import { z } from 'zod'
import { moment } from '../../schema/moment'

/** What its column holds: whatever was written can be read back. */
export const MOST_REVISION = 2_147_483_647
export const revision = z.number().int().min(1).max(MOST_REVISION)
/** A revision as it is taken over from a file: low enough that the record can still be written over for good. */
export const takenRevision = (inFile: number): number => Math.min(inFile, 1_000_000_000)

/** What every record carries besides its content. */
export const recordMeta = z.object({
  /** UUID version 7: sorted by time, and collections of two machines can be merged. */
  id: z.uuid(),
  /** Counts the writes, from 1. A write names the revision it started from. */
  revision,
  createdAt: moment,
  updatedAt: moment,
  archivedAt: moment.nullable(),
})

/** What a write of an existing record names: the revision it started from. */
export const startedFrom = z.object({ revision })
