import { z } from 'zod'
import type { Side } from '../common/side'
import { deg, label, mm } from '../../schema/measure'
import { refuseAt } from '../../schema/problem'

/** What an instrument is; a goniometer shows its spots on a scale drawn in degrees, or on a flat screen. */
export const INSTRUMENT_KINDS = ['level-gauge', 'goniometer-scale', 'goniometer-screen'] as const
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number]

/** An instrument that angles are read with. */
export const instrument = z.object({
  name: label(80),
  notes: z.string().max(4000).default(''),
  kind: z.enum(INSTRUMENT_KINDS),
  /** From the edge to a flat screen, along the beam; null where there is none. */
  screenDistanceMm: mm({ least: 20, most: 5000 }).nullable().default(null),
  /** How well that is known: half-width. */
  screenDistanceToleranceMm: mm({ least: 0, most: 200 }).default(2),
  /** What it shows too much. A goniometer shows it too much on side A and too little on side B. */
  zeroDeg: deg({ least: -10, most: 10 }).default(0),
  /** Half-width of the range that holds 95 in 100 of its readings. */
  uncertaintyDeg: deg({ least: 0.01, most: 10 }),
})
export type Instrument = z.infer<typeof instrument>

/** An instrument as it can be used: one with a flat screen says how far that stands. */
export const usableInstrument = instrument.superRefine(({ kind, screenDistanceMm }, context) => {
  if (kind === 'goniometer-screen' && screenDistanceMm === null) refuseAt(context, ['screenDistanceMm'], 'missing')
})

export const isGoniometer = (kind: InstrumentKind): boolean => kind !== 'level-gauge'

/**
 * What an instrument shows too much on a side, degrees: to be taken off what it shows. A goniometer whose middle is
 * off shifts the pattern of both sides one way, so it shows as much too little on the other; a blade turned end for end
 * cancels it. Source: docs/geometry.md, "An instrument's own zero".
 */
export function zeroOnSideDeg({ kind, zeroDeg }: Pick<Instrument, 'kind' | 'zeroDeg'>, side: Side): number {
  return isGoniometer(kind) && side === 'B' ? -zeroDeg : zeroDeg
}

/**
 * What two readings of one bevel come to, the blade turned end for end between them: the bevel, free of a goniometer's
 * own zero, and that zero, degrees; both known to `uncertaintyDeg`, half-width, where each reading is to `readDeg`.
 * `firstDeg` stood on side A of the scale, `turnedDeg` on side B. Source: docs/geometry.md, "An instrument's own zero".
 */
export const twoReadings = (firstDeg: number, turnedDeg: number, readDeg: number) => ({
  bevelDeg: (firstDeg + turnedDeg) / 2,
  zeroDeg: (firstDeg - turnedDeg) / 2,
  uncertaintyDeg: readDeg / Math.SQRT2,
})
