import { z } from 'zod'
import { heightReading } from './heightReading'
import { jawSet } from './jawSet'

export const RIG_KINDS = ['slot-plate', 'turning-post', 'two-arm', 'table-post'] as const
export type RigKind = (typeof RIG_KINDS)[number]

const pivotPlace = z.object({
  /** Behind the jaws' front line; for a blade held upright, below it. */
  setbackMm: z
    .number()
    .positive('The pivot must stand behind the jaws: a setback above 0 mm.')
    .max(600, 'No rig’s pivot stands more than 600 mm behind its jaws.'),
  /** Off the middle of the jaws, towards the tip on side A. */
  alongMm: z.number().min(-300).max(300),
})
const placeName = z.string().trim().min(1, 'Give it a name.').max(20)
const halfWidth = z
  .number()
  .min(0.01, 'Nothing is measured better than 0.01 mm here.')
  .max(10, 'Known to no better than 10 mm: measure it again.')

/**
 * The measures of a rig, whether or not they can all be true together (possibleRig.ts). What is kept is read by this.
 */
export const rigMeasures = z.object({
  name: z.string().trim().min(1, 'Give the rig a name.').max(80),
  notes: z.string().max(4000).default(''),
  kind: z.enum(RIG_KINDS),
  /** The usual jaws; a table has none. */
  jaws: jawSet.nullable(),
  /** Other jaws that can be fitted instead. */
  moreJaws: z.array(jawSet).max(12).default([]),
  /** Stops or depth pins: how far behind the jaws' front line the spine comes to rest on them. */
  stops: z
    .array(
      z.object({
        name: placeName,
        depthMm: z.number().min(0, 'A stop stands behind the jaws’ front: 0 or more.').max(200),
      }),
    )
    .max(20)
    .default([]),
  /** Marks along the jaws, from their middle towards the tip on side A. */
  positionMarks: z
    .array(z.object({ name: placeName, alongMm: z.number().min(-300).max(300) }))
    .max(60)
    .default([]),
  rodLengthMm: z.number().positive('The rod’s length must be above 0.').max(1000),
  /** Where stops keep the stone on the rod: from the pivot to the nearest and the farthest place of its face. */
  stroke: z
    .object({
      nearestMm: z.number().min(0, 'A distance is 0 or more.').max(1000),
      farthestMm: z.number().positive().max(1000),
    })
    .nullable()
    .default(null),
  pivot: pivotPlace,
  /** The second arm of an upright rig, on side B. */
  pivotB: pivotPlace.nullable().default(null),
  /** How far the pivot gives in its bearing, to each side. */
  pivotPlayMm: z.number().min(0, 'Play is 0 or more.').max(10).default(0),
  height: heightReading,
  /** How well the rig's own measures are known: half-widths. */
  tolerance: z.object({ heightMm: halfWidth, setbackMm: halfWidth, alongMm: halfWidth.default(0.5) }),
})
export type Rig = z.infer<typeof rigMeasures>

/** Whether the blade lies on its flat on a table, so that its centre plane is tilted by the primary half-angle. */
export const restsOnTable = (of: Rig): boolean => of.kind === 'table-post'
