import { z } from 'zod'
import { count, deg, label, mm } from '../measure/measure'
import { refuseAt } from '../problem/problem'

const height = mm({ least: 0, most: 500 })
const range = { lowestMm: height, highestMm: height }
const mark = deg({ least: 1, most: 60 })

const slotHeights = z.object({
  by: z.literal('slot'),
  slots: z
    .array(z.object({ label: label(12), heightMm: height }))
    .min(1)
    .max(60),
  /** How far the pivot can slide to either side of the slot's middle, along the jaws. */
  slideMm: mm({ least: 0, most: 200 }),
})
const millimetreScale = z.object({
  by: z.literal('millimetres'),
  ...range,
  /** Pivot height when the scale shows 0. */
  zeroMm: mm({ least: -500, most: 500 }),
  resolutionMm: mm({ least: 0.01, most: 10 }),
})
const screwTurns = z.object({
  by: z.literal('turns'),
  ...range,
  pitchMm: mm({ least: 0.1, most: 10 }),
  /** Pivot height at 0 turns. */
  zeroMm: mm({ least: -500, most: 500 }),
  /** Marks on the screw's collar in one turn. */
  divisions: count({ least: 1, most: 200 }),
})
const degreeScale = z.object({
  by: z.literal('degree-scale'),
  lowestMarkDeg: mark,
  highestMarkDeg: mark,
  stepDeg: deg({ least: 0.05, most: 5 }),
  /** The blade height and face offset that the scale was drawn for. */
  drawnForBladeHeightMm: mm({ least: 0, most: 300 }),
  drawnForFaceOffsetMm: mm({ least: 0, most: 60 }),
})

/**
 * How a rig says its pivot height: the language of its dial. Pivot heights are above the clamp's centre plane (or the
 * table).
 */
export const heightReading = z
  .discriminatedUnion('by', [slotHeights, millimetreScale, screwTurns, degreeScale])
  .superRefine((reading, context) => {
    if (reading.by === 'slot') {
      const labels = new Set(reading.slots.map((slot) => slot.label))
      if (labels.size < reading.slots.length) refuseAt(context, ['slots'], 'same-label-twice')
    } else if (reading.by === 'degree-scale') {
      if (reading.highestMarkDeg <= reading.lowestMarkDeg) refuseAt(context, ['highestMarkDeg'], 'highest-below-lowest')
    } else if (reading.highestMm <= reading.lowestMm) {
      refuseAt(context, ['highestMm'], 'highest-below-lowest')
    }
  })
export type HeightReading = z.infer<typeof heightReading>

/** A setting in the rig's own language. Readings on a scale are kept exact, not rounded to its marks. */
export const dialSetting = z.discriminatedUnion('by', [
  z.object({ by: z.literal('slot'), label: z.string().min(1).max(12) }),
  z.object({ by: z.literal('millimetres'), mm: z.number().min(-1000).max(1000) }),
  z.object({ by: z.literal('turns'), turns: z.number().min(-5000).max(5000) }),
  z.object({ by: z.literal('degree-scale'), markDeg: z.number().min(0).max(80) }),
])
export type DialSetting = z.infer<typeof dialSetting>
