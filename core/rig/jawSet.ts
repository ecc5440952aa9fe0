import { z } from 'zod'

const knob = z.number().min(0, 'A distance is 0 or more.').max(200).nullable().default(null)
const mostSpine = z.number().positive('A spine is thicker than 0.').max(60).nullable().default(null)

/** A set of gripping jaws that can be fitted to a rig. */
export const jawSet = z
  .object({
    name: z.string().trim().min(1, 'Give these jaws a name.').max(40).default('Jaws'),
    /** Along the edge. */
    widthMm: z.number().positive('The width of the jaws must be above 0.').max(400),
    /** From the jaws' centre plane to their outside, at the front. */
    halfThicknessMm: z.number().min(0, 'A thickness cannot be negative.').max(60),
    /** How far they reach back from their front line. */
    depthMm: z.number().positive('The depth of the jaws must be above 0.').max(200),
    /** The thickest spine that does not slip out; null where it was not tried. */
    mostSpineFlatMm: mostSpine,
    mostSpineSabreMm: mostSpine,
    /**
     * What stands higher than the front, a screw or a knob: from the jaws' centre plane to its top, and its front
     * behind theirs; null where nothing does.
     */
    knobHeightMm: knob,
    knobBehindMm: knob,
  })
  .superRefine((jaws, context) => {
    for (const [given, missing] of [
      ['knobHeightMm', 'knobBehindMm'],
      ['knobBehindMm', 'knobHeightMm'],
    ] as const) {
      if (jaws[given] !== null && jaws[missing] === null)
        context.addIssue({ code: 'custom', path: [missing], message: 'Measure this too, or leave both empty.' })
    }
  })
export type JawSet = z.infer<typeof jawSet>
