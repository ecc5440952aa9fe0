import { z } from 'zod'

/**
 * What a level gauge was zeroed on: the blade's centre plane, the blade's own flat, or the jaws (on a table: the
 * table).
 */
export const GAUGE_ZEROS = ['centre-plane', 'primary-face', 'clamp'] as const
export const gaugeZero = z.enum(GAUGE_ZEROS)
export type GaugeZero = z.infer<typeof gaugeZero>
