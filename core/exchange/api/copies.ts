import { z } from 'zod'

/** Why a copy could not be kept. */
export const COPY_FAILURES = ['no-such-folder', 'not-writable', 'disk-full', 'failed'] as const

/** A second folder to which each snapshot is copied; null where none is named. */
export const copiesState = z.object({
  folder: z.string().nullable(),
  /** When the last copy there was made. */
  lastAt: z.iso.datetime().nullable(),
  failed: z.enum(COPY_FAILURES).nullable(),
})
export type CopiesState = z.infer<typeof copiesState>

/** Names the folder, by its whole path on the bench's machine; null: none. */
export const namedFolder = z.object({ folder: z.string().trim().min(1).max(1000).nullable() })
