import { z } from 'zod'
import { curve } from '../../math/curve/curve'
import { count, deg, hrc, label, mm } from '../../schema/measure'
import { edgeUncertainty } from './edgeUncertainty'
import { SHAPE_IDS, shapeMeasures } from './shapeMeasures'
import { HANDS, WORKS } from './work'
import { zone } from './zones'

const bevelAngle = deg({ above: 0, most: 60 })
const thickness = (most: number) => mm({ above: 0, most })

export const GRINDS = ['flat', 'sabre', 'hollow', 'convex'] as const

/**
 * A blade, in its own frame: x from heel to tip, y from spine towards the edge, mm. Source: docs/geometry.md, "Frames".
 */
export const blade = z.object({
  name: label(80),
  notes: z.string().max(4000).default(''),
  owner: z.string().max(80).default(''),
  use: z.string().max(200).default(''),
  /** What its edge is for, as far as its angle goes; null: nobody said. */
  work: z.enum(WORKS).nullable().default(null),
  hand: z.enum(HANDS).default('usual'),
  /** How often it had been sharpened when its record began: 0, it was new; null: not known. */
  sharpenedBefore: count({ least: 0, most: 1000 }).nullable().default(null),
  complaint: z.string().max(300).default(''),
  steel: z.string().max(120).default(''),
  coating: z.string().max(80).default(''),
  hardnessHrc: hrc({ least: 20, most: 70 }).nullable().default(null),
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
    .object({ what: label(40), alongMm: mm({ least: -100, most: 1000 }) })
    .nullable()
    .default(null),
  /** From spine to edge at the widest place. */
  widthMm: mm({ above: 0, most: 300 }),
  /** Over the heel; near the tip where it tapers and was measured. */
  spineThicknessMm: thickness(30),
  spineThicknessTipMm: thickness(30).nullable().default(null),
  /** Both sides together, at the shoulder. */
  thicknessBehindEdgeMm: mm({ least: 0, most: 10 }),
  /** The same near the tip; null where it was not measured. */
  thicknessBehindEdgeTipMm: mm({ least: 0, most: 10 }).nullable().default(null),
  /** The bevel that is there, per side, where it was proved. */
  bevelDeg: z.object({ A: bevelAngle, B: bevelAngle }).nullable().default(null),
  /** From the edge to where the primary grind meets the full thickness. */
  primaryGrindHeightMm: mm({ above: 0, most: 300 }),
  edge: curve,
  /** How far the edge's direction may be off that of its curve, half-width; null: as edgeHeadingToleranceDeg has it. */
  edgeHeadingToleranceDeg: deg({ least: 0, most: 10 }).nullable().default(null),
  /** Of a traced edge, all along; null where that is not known. */
  edgeUncertainty: edgeUncertainty.nullable().default(null),
  /** From the spine above the heel to the tip; a straight spine where it is not known. */
  spine: curve.nullable().default(null),
  /** The shape of the library it was fitted from, with its measures; null when it was traced, read or typed. */
  shape: z
    .object({ id: z.enum(SHAPE_IDS), measures: shapeMeasures })
    .nullable()
    .default(null),
  /** Zones as they were set by hand; null: as found from the curvature. */
  zones: z.array(zone).max(40).nullable().default(null),
  handleLengthMm: mm({ least: 0, most: 400 }).default(0),
})
export type Blade = z.infer<typeof blade>
