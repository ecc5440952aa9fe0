import { z } from 'zod'
import { refuseAt } from '../problem/problem'
import { degreeDial, degreeReading, degreeSetting } from './dials/degreeScale'
import type { Dial } from './dials/dial'
import { millimetreDial, millimetreReading, millimetreSetting } from './dials/millimetres'
import { slotDial, slotReading, slotSetting } from './dials/slots'
import { turnDial, turnReading, turnSetting } from './dials/turns'

const reading = z.discriminatedUnion('by', [slotReading, millimetreReading, turnReading, degreeReading])

/** A setting in the rig's own language. Readings on a scale are kept exact, not rounded to its marks. */
export const dialSetting = z.discriminatedUnion('by', [slotSetting, millimetreSetting, turnSetting, degreeSetting])
export type DialSetting = z.infer<typeof dialSetting>

export type DialLanguage = DialSetting['by']
export type ReadingOf<B extends DialLanguage> = Extract<z.infer<typeof reading>, { by: B }>
export type SettingOf<B extends DialLanguage> = Extract<DialSetting, { by: B }>

/**
 * Every language in which a rig can say its pivot's height. A new one is a record here; what it lacks does not compile.
 */
export const DIALS: { readonly [B in DialLanguage]: Dial<ReadingOf<B>, SettingOf<B>> } = {
  slot: slotDial,
  millimetres: millimetreDial,
  turns: turnDial,
  'degree-scale': degreeDial,
}
export const DIAL_LANGUAGES = Object.keys(DIALS) as DialLanguage[]

/** How a dial of each language is described. */
export const READINGS = {
  slot: slotReading,
  millimetres: millimetreReading,
  turns: turnReading,
  'degree-scale': degreeReading,
} as const satisfies Record<DialLanguage, z.ZodObject>

/** The dial of a reading, for a setting of its own language. */
export const dialOf = (of: HeightReading): Dial<HeightReading, DialSetting> =>
  DIALS[of.by] as unknown as Dial<HeightReading, DialSetting>

/**
 * How a rig says its pivot height: the language of its dial. Pivot heights are above the clamp's centre plane (or the
 * table).
 */
export const heightReading = reading.superRefine((of, context) => {
  for (const { field, code, figures } of dialOf(of).impossible(of)) refuseAt(context, [field], code, figures)
})
export type HeightReading = z.infer<typeof reading>
