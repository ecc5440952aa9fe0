import { z } from 'zod'

const mostSpine = z.number().positive('A spine is thicker than 0.').max(60).nullable().default(null)

/** A set of gripping jaws that can be fitted to a rig. */
export const jawSet = z.object({
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
})
export type JawSet = z.infer<typeof jawSet>
