import { z } from 'zod'

const height = z.number().min(0, 'A height is 0 or more.').max(500, 'No rig’s pivot stands higher than 500 mm.')
const range = { lowestMm: height, highestMm: height }

const slotHeights = z.object({
  by: z.literal('slot'),
  slots: z
    .array(z.object({ label: z.string().trim().min(1, 'Give the slot its label.').max(12), heightMm: height }))
    .min(1)
    .max(60),
  /** How far the pivot can slide to either side of the slot's middle, along the jaws. */
  slideMm: z.number().min(0).max(200),
})
const millimetreScale = z.object({
  by: z.literal('millimetres'),
  ...range,
  /** Pivot height when the scale shows 0. */
  zeroMm: z.number().min(-500).max(500),
  resolutionMm: z.number().min(0.01, 'Marks stand at least 0.01 mm apart.').max(10),
})
const screwTurns = z.object({
  by: z.literal('turns'),
  ...range,
  pitchMm: z.number().min(0.1, 'A screw rises at least 0.1 mm a turn.').max(10),
  /** Pivot height at 0 turns. */
  zeroMm: z.number().min(-500).max(500),
  /** Marks on the screw's collar in one turn. */
  divisions: z.number().int().min(1).max(200),
})
const degreeScale = z.object({
  by: z.literal('degree-scale'),
  lowestMarkDeg: z.number().min(1).max(60),
  highestMarkDeg: z.number().min(1).max(60),
  stepDeg: z.number().min(0.05).max(5),
  /** The blade height and face offset that the scale was drawn for. */
  drawnForBladeHeightMm: z.number().min(0).max(300),
  drawnForFaceOffsetMm: z.number().min(0).max(60),
})

/**
 * How a rig says its pivot height: the language of its dial. Pivot heights are above the clamp's centre plane (or the
 * table).
 */
export const heightReading = z
  .discriminatedUnion('by', [slotHeights, millimetreScale, screwTurns, degreeScale])
  .superRefine((reading, context) => {
    const refuse = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message })
    if (reading.by === 'slot') {
      const labels = new Set(reading.slots.map((slot) => slot.label))
      if (labels.size < reading.slots.length) refuse('slots', 'Two slots have the same label.')
    } else if (reading.by === 'degree-scale') {
      if (reading.highestMarkDeg <= reading.lowestMarkDeg)
        refuse('highestMarkDeg', 'The highest mark must be above the lowest.')
    } else if (reading.highestMm <= reading.lowestMm) {
      refuse('highestMm', 'The highest pivot height must be above the lowest.')
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
