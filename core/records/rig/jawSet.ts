import { z } from 'zod'
import { label, mm } from '../../schema/measure'
import { refuseAt } from '../../schema/problem'

const knob = mm({ least: 0, most: 200 }).nullable().default(null)
const mostSpine = mm({ above: 0, most: 60 }).nullable().default(null)

/** A set of gripping jaws that can be fitted to a rig. */
export const jawSet = z
  .object({
    name: label(40).default('Jaws'),
    /** Along the edge. */
    widthMm: mm({ above: 0, most: 400 }),
    /** From the jaws' centre plane to their outside, at the front. */
    halfThicknessMm: mm({ least: 0, most: 60 }),
    /** How far they reach back from their front line. */
    depthMm: mm({ above: 0, most: 200 }),
    /** The thickest spine that does not slip out; null where it was not tried. */
    mostSpineFlatMm: mostSpine,
    mostSpineSabreMm: mostSpine,
    /**
     * What stands higher than the front, a screw or a knob: from the jaws' centre plane to its top, and its front
     * behind theirs; null where nothing does.
     */
    knobHeightMm: knob,
    knobBehindMm: knob,
    /** How far it goes back from its own front; null where that was not measured. */
    knobDepthMm: mm({ above: 0, most: 200 }).nullable().default(null),
  })
  .superRefine((jaws, context) => {
    if (jaws.knobHeightMm !== null && jaws.knobBehindMm === null) refuseAt(context, ['knobBehindMm'], 'measure-both')
    if (jaws.knobBehindMm !== null && jaws.knobHeightMm === null) refuseAt(context, ['knobHeightMm'], 'measure-both')
  })
export type JawSet = z.infer<typeof jawSet>
