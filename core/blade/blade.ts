import { z } from 'zod'
import { curve } from '../curve/curve'

export const GRINDS = ['flat', 'sabre', 'hollow', 'convex'] as const

/** A blade, in its own frame: x from heel to tip, y from spine towards the edge, millimetres. Source: docs/geometry.md, "Frames". */
export const blade = z.object({
  name: z.string().trim().min(1, 'Give the blade a name.').max(80),
  notes: z.string().max(4000).default(''),
  owner: z.string().max(80).default(''),
  use: z.string().max(200).default(''),
  steel: z.string().max(120).default(''),
  hardnessHrc: z.number().min(20).max(70).nullable().default(null),
  grind: z.enum(GRINDS),
  /** 'A' when only side A carries a bevel and side B is the flat back. */
  bevels: z.enum(['both', 'A']),
  widthMm: z.number().positive().max(300),
  spineThicknessMm: z.number().positive().max(30),
  /** Both sides together, at the shoulder. */
  thicknessBehindEdgeMm: z.number().min(0).max(10),
  /** From the edge to where the primary grind meets the full thickness. */
  primaryGrindHeightMm: z.number().positive().max(300),
  edge: curve,
  /** From the spine above the heel to the tip; a straight spine where it is not known. */
  spine: curve.nullable().default(null),
  handleLengthMm: z.number().min(0).max(400).default(0),
})
export type Blade = z.infer<typeof blade>
