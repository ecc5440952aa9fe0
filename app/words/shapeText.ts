import type { ShapeId, ShapeMeasure } from '#core/records/blade/shapeMeasures'

export const SHAPE_WORD: Record<ShapeId, string> = {
  straight: 'Straight',
  sheepfoot: 'Sheepfoot',
  'drop-point': 'Drop point',
  clip: 'Clip',
  'long-kitchen': 'Long kitchen belly',
  'broad-kitchen': 'Broad kitchen',
  slicer: 'Slicer',
  hooked: 'Hooked',
  recurved: 'Recurved',
  'angular-tip': 'Angular tip',
  'chisel-tip': 'Chisel tip',
  leaf: 'Leaf',
}

export const SHAPE_MEASURE_WORD: Record<ShapeMeasure, string> = {
  lengthMm: 'Length, heel to tip',
  heelWidthMm: 'Width at the heel',
  widthMm: 'Width at its widest',
  bellyFromMm: 'From the heel to the bend',
  tipDropMm: 'Tip below the spine’s line',
  depthMm: 'Depth of the hollow',
}

export const SHAPE_MEASURE_HOW: Record<ShapeMeasure, string> = {
  lengthMm: 'Rule from the heel to the tip, along the spine.',
  heelWidthMm: 'Calliper from the spine to the edge over the heel.',
  widthMm: 'The same at its widest place.',
  bellyFromMm: 'Lay a rule on the edge: where it begins to leave it.',
  tipDropMm: 'Rule along the spine, on over the tip: how far below it the tip stands.',
  depthMm: 'Rule across the hollow from end to end: its greatest gap.',
}
