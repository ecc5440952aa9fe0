import { z } from 'zod'
import { heightReading } from './heightReading'

export const RIG_KINDS = ['slot-plate', 'turning-post', 'two-arm', 'table-post'] as const
export type RigKind = (typeof RIG_KINDS)[number]

const pivotPlace = z.object({
  /** Behind the jaws' front line; for a blade held upright, below it. */
  setbackMm: z.number().positive('The pivot must stand behind the jaws: a setback above 0 mm.').max(600),
  /** Off the middle of the jaws, towards the tip on side A. */
  alongMm: z.number().min(-300).max(300),
})

/**
 * A guided rig as it can be measured with a rule and a calliper: where its pivot stands and how its height is set.
 * Frames and kinds: docs/geometry.md, "Rigs".
 */
export const rig = z.object({
  name: z.string().trim().min(1, 'Give the rig a name.').max(80),
  notes: z.string().max(4000).default(''),
  kind: z.enum(RIG_KINDS),
  /** The gripping jaws; a table has none. */
  jaws: z
    .object({
      widthMm: z.number().positive().max(400),
      halfThicknessMm: z.number().min(0).max(60),
      depthMm: z.number().positive().max(200),
    })
    .nullable(),
  rodLengthMm: z.number().positive().max(1000),
  pivot: pivotPlace,
  /** The second arm of an upright rig, on side B. */
  pivotB: pivotPlace.nullable().default(null),
  height: heightReading,
  /** How well the rig's own measures are known: half-widths. */
  tolerance: z.object({
    heightMm: z.number().min(0.01).max(10),
    setbackMm: z.number().min(0.01).max(10),
  }),
})
export type Rig = z.infer<typeof rig>

/** Whether the blade lies on its flat on a table, so that its centre plane is tilted by the primary half-angle. */
export const restsOnTable = (of: Rig): boolean => of.kind === 'table-post'
