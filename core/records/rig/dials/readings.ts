import { z } from 'zod'
import { count, deg, label, mm } from '../../../schema/measure'
import { lengthUnit } from '../../../math/units/length'

/** Slots or holes in a plate: single heights, each with its label. */
const slotReading = z.object({
  by: z.literal('slot'),
  slots: z
    .array(z.object({ label: label(12), heightMm: mm({ least: 0, most: 500 }) }))
    .min(1)
    .max(60),
  /** How far the pivot can slide to either side of the slot's middle, along the jaws. */
  slideMm: mm({ least: 0, most: 200 }),
})
const slotSetting = z.object({ by: z.literal('slot'), label: z.string().min(1).max(12) })

/** A post with a scale of lengths. */
const millimetreReading = z.object({
  by: z.literal('millimetres'),
  lowestMm: mm({ least: 0, most: 500 }),
  highestMm: mm({ least: 0, most: 500 }),
  /** Pivot height when the scale shows 0. */
  zeroMm: mm({ least: -500, most: 500 }),
  resolutionMm: mm({ least: 0.01, most: 10 }),
  /** What its figures are, whatever unit its user works in. */
  engravedIn: lengthUnit.default('mm'),
})
const millimetreSetting = z.object({ by: z.literal('millimetres'), mm: z.number().min(-1000).max(1000) })

/** A screw whose turns are counted, with marks on its collar. */
const turnReading = z.object({
  by: z.literal('turns'),
  lowestMm: mm({ least: 0, most: 500 }),
  highestMm: mm({ least: 0, most: 500 }),
  pitchMm: mm({ least: 0.1, most: 10 }),
  /** Pivot height at 0 turns. */
  zeroMm: mm({ least: -500, most: 500 }),
  /** Marks on the screw's collar in one turn. */
  divisions: count({ least: 1, most: 200 }),
})
const turnSetting = z.object({ by: z.literal('turns'), turns: z.number().min(-5000).max(5000) })

const mark = deg({ least: 1, most: 60 })

/** A printed scale of degrees, right for the blade height and the stone that it was drawn for. */
const degreeReading = z.object({
  by: z.literal('degree-scale'),
  lowestMarkDeg: mark,
  highestMarkDeg: mark,
  stepDeg: deg({ least: 0.05, most: 5 }),
  drawnForBladeHeightMm: mm({ least: 0, most: 300 }),
  drawnForFaceOffsetMm: mm({ least: 0, most: 60 }),
  /** How much higher the pivot stands than the marks say. */
  zeroMm: mm({ least: -50, most: 50 }).default(0),
})
const degreeSetting = z.object({ by: z.literal('degree-scale'), markDeg: z.number().min(0).max(80) })

/** How a dial of each language is described, and what a setting of it says. */
export const READINGS = {
  slot: slotReading,
  millimetres: millimetreReading,
  turns: turnReading,
  'degree-scale': degreeReading,
} as const satisfies Record<string, z.ZodObject>
export type DialLanguage = keyof typeof READINGS

export const anyReading = z.discriminatedUnion('by', [slotReading, millimetreReading, turnReading, degreeReading])
export type HeightReading = z.infer<typeof anyReading>

/** A setting in the rig's own language. Readings on a scale are kept exact, not rounded to its marks. */
export const dialSetting = z.discriminatedUnion('by', [slotSetting, millimetreSetting, turnSetting, degreeSetting])
export type DialSetting = z.infer<typeof dialSetting>

export type ReadingOf<B extends DialLanguage> = Extract<HeightReading, { by: B }>
export type SettingOf<B extends DialLanguage> = Extract<DialSetting, { by: B }>
