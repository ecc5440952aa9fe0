import { z } from 'zod'
import { deg, label, mm } from '../../schema/measure'
import { rigFitted } from './fitted'
import { heightReading } from './heightReading'
import { jawSet } from './jawSet'
import { RIG_KINDS } from './kinds'

const pivotPlace = z.object({
  /** Behind the jaws' front line; for a blade held upright, below it. */
  setbackMm: mm({ above: 0, most: 600 }),
  /** Off the middle of the jaws, towards the tip on side A. */
  alongMm: mm({ least: -300, most: 300 }),
  /** Of an upright rig, whose arms share a scale: how much higher this arm's pivot stands than that says. */
  overScaleMm: mm({ least: -20, most: 20 }).default(0),
})
/** Which halves of the jaws move as they close. */
const JAWS_CLOSE = ['both-halves-move', 'one-half-moves'] as const
const halfWidth = mm({ least: 0.01, most: 10 })

/**
 * The measures of a rig, whether or not they can all be true together (possibleRig.ts). What is kept is read by this.
 */
export const rigMeasures = z.object({
  name: label(80),
  notes: z.string().max(4000).default(''),
  kind: z.enum(RIG_KINDS),
  /** The usual jaws; a table has none. */
  jaws: jawSet.nullable(),
  /** Other jaws that can be fitted instead. */
  moreJaws: z.array(jawSet).max(12).default([]),
  /** Of a blade that thins towards its tip, jaws with one fixed half may hold the centre plane aslant. */
  jawsClose: z.enum(JAWS_CLOSE).default('both-halves-move'),
  /** Stops or depth pins: how far behind the jaws' front line the spine comes to rest on them. */
  stops: z
    .array(z.object({ name: label(20), depthMm: mm({ least: 0, most: 200 }) }))
    .max(20)
    .default([]),
  /** Marks along the jaws, from their middle towards the tip on side A. */
  positionMarks: z
    .array(z.object({ name: label(20), alongMm: mm({ least: -300, most: 300 }) }))
    .max(60)
    .default([]),
  rodLengthMm: mm({ above: 0, most: 1000 }),
  /** Where stops keep the stone on the rod: from the pivot to its middle, pushed back and pulled out. */
  stroke: z
    .object({ nearestMm: mm({ least: 0, most: 1000 }), farthestMm: mm({ above: 0, most: 1000 }) })
    .nullable()
    .default(null),
  pivot: pivotPlace,
  /** The second arm of an upright rig, on side B. */
  pivotB: pivotPlace.nullable().default(null),
  /** How far the pivot gives in its bearing, to each side. */
  pivotPlayMm: mm({ least: 0, most: 10 }).default(0),
  height: heightReading,
  /**
   * The proofs that its measures were calibrated by: what they tell stands in the measures and is not counted twice.
   */
  calibratedBy: z.array(z.uuid()).max(2000).default([]),
  /** What those proofs leave open; null where it was calibrated by none, or measured anew since. */
  fitted: rigFitted.nullable().default(null),
  /** What the jaws do to every blade: its centre plane over theirs, and its rise outward, on side A. */
  centring: z.object({ offsetMm: mm({ least: -10, most: 10 }), tiltDeg: deg({ least: -10, most: 10 }) }).default({
    offsetMm: 0,
    tiltDeg: 0,
  }),
  /** How well the rig's own measures are known: half-widths. */
  tolerance: z.object({
    heightMm: halfWidth,
    setbackMm: halfWidth,
    alongMm: halfWidth.default(0.5),
    /** How much otherwise the jaws hold a blade that is clamped again: off their middle, and tilted. */
    againOffsetMm: mm({ least: 0, most: 5 }).default(0.05),
    againTiltDeg: deg({ least: 0, most: 10 }).default(0.1),
  }),
})
export type Rig = z.infer<typeof rigMeasures>
