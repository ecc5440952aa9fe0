import { z } from 'zod'

/**
 * What a level gauge was zeroed on: the blade's centre plane, the blade's own flat, or the jaws (on a table: the
 * table).
 */
export const GAUGE_ZEROS = ['centre-plane', 'primary-face', 'clamp'] as const
export const gaugeZero = z.enum(GAUGE_ZEROS)
export type GaugeZero = z.infer<typeof gaugeZero>

/**
 * How a level gauge finds its level: a cube with one axis, laid along the rod, rolls with the stone; one with two axes
 * (or held level across the rod) shows the slope of the rod itself.
 */
export const GAUGE_AXES = ['one', 'two'] as const
export const gaugeAxes = z.enum(GAUGE_AXES)
export type GaugeAxes = z.infer<typeof gaugeAxes>

/** How a level gauge is used on a job. */
export interface GaugeUse {
  readonly zero: GaugeZero
  readonly axes: GaugeAxes
}
