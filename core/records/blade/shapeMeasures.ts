import { z } from 'zod'
import { mm } from '../../schema/measure'

/** The shapes of the library; what each is built of stands in shapes.ts. */
export const SHAPE_IDS = [
  'straight',
  'sheepfoot',
  'drop-point',
  'clip',
  'long-kitchen',
  'broad-kitchen',
  'slicer',
  'hooked',
  'recurved',
  'angular-tip',
  'chisel-tip',
  'leaf',
] as const
export type ShapeId = (typeof SHAPE_IDS)[number]

const measure = mm({ least: 0, most: 1000 })
/** The measures that a shape is fitted by. */
export const shapeMeasures = z.object({
  /** Heel to tip, along the spine. */
  lengthMm: measure,
  heelWidthMm: measure,
  /** At the widest place. */
  widthMm: measure,
  /** From the heel to where the belly (or the tip's facet) begins. */
  bellyFromMm: measure,
  /** From the line of the spine down to the tip. */
  tipDropMm: measure,
  /** How deep a hollow goes, square to the line from its ends. */
  depthMm: measure,
})
export type ShapeMeasures = z.infer<typeof shapeMeasures>
export type ShapeMeasure = keyof ShapeMeasures
