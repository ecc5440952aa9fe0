import { z } from 'zod'

/** What a job is for: it decides which steps are expected. */
export const PURPOSES = ['touch-up', 'sharpen', 'new-angle', 'thin', 'micro-bevel', 'find-angle'] as const
export type Purpose = (typeof PURPOSES)[number]
export const purpose = z.enum(PURPOSES)
