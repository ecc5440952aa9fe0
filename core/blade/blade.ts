import { z } from 'zod'
import { curve } from '../curve/curve'
import { SHAPE_IDS, shapeMeasures } from './shapes'
import { zone } from './zones'

const perSide = z.number().gt(0, 'An edge angle is above 0°.').max(60, 'More than 60° per side is no cutting edge.')
const thickness = (most: number) => z.number().positive('A thickness is above 0.').max(most)

export const GRINDS = ['flat', 'sabre', 'hollow', 'convex'] as const

/**
 * A blade, in its own frame: x from heel to tip, y from spine towards the edge, millimetres. Source: docs/geometry.md,
 * "Frames".
 */
export const blade = z.object({
  name: z.string().trim().min(1, 'Give the blade a name.').max(80),
  notes: z.string().max(4000).default(''),
  owner: z.string().max(80).default(''),
  use: z.string().max(200).default(''),
  complaint: z.string().max(300).default(''),
  steel: z.string().max(120).default(''),
  coating: z.string().max(80).default(''),
  hardnessHrc: z.number().min(20).max(70).nullable().default(null),
  grind: z.enum(GRINDS),
  /** 'A' when only side A carries a bevel and side B is the flat back. */
  bevels: z.enum(['both', 'A']),
  /** A second, false edge ground on the spine: ordinary jaws do not hold there. */
  falseEdge: z.boolean().default(false),
  /** A notch where the edge ends at the heel; without one the stone cannot run out past it. */
  choil: z.boolean().default(true),
  /**
   * What is laid on a mark of the jaws so that it stands the same next time: a place of the blade, from the heel
   * towards the tip.
   */
  landmark: z
    .object({
      what: z.string().trim().min(1, 'Say what it is.').max(40),
      alongMm: z.number().min(-100, 'A landmark is no further than 100 mm behind the heel.').max(1000),
    })
    .nullable()
    .default(null),
  /** From spine to edge at the widest place. */
  widthMm: z.number().positive('The width must be above 0.').max(300),
  /** Over the heel; near the tip where it tapers and was measured. */
  spineThicknessMm: thickness(30),
  spineThicknessTipMm: thickness(30).nullable().default(null),
  /** Both sides together, at the shoulder. */
  thicknessBehindEdgeMm: z.number().min(0, 'A thickness is 0 or more.').max(10),
  /** The same near the tip; null where it was not measured. */
  thicknessBehindEdgeTipMm: z.number().min(0, 'A thickness is 0 or more.').max(10).nullable().default(null),
  /** The bevel that is there, per side, where it was proved. */
  bevelDeg: z.object({ aDeg: perSide, bDeg: perSide }).nullable().default(null),
  /** From the edge to where the primary grind meets the full thickness. */
  primaryGrindHeightMm: z.number().positive('The height of the grind must be above 0.').max(300),
  edge: curve,
  /** From the spine above the heel to the tip; a straight spine where it is not known. */
  spine: curve.nullable().default(null),
  /** The shape of the library it was fitted from, with its measures; null when it was traced, read or typed. */
  shape: z
    .object({ id: z.enum(SHAPE_IDS), measures: shapeMeasures })
    .nullable()
    .default(null),
  /** Zones as they were set by hand; null: as found from the curvature. */
  zones: z.array(zone).max(40).nullable().default(null),
  handleLengthMm: z.number().min(0).max(400).default(0),
})
export type Blade = z.infer<typeof blade>
