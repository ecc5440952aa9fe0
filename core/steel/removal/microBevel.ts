import { radians } from '../../math/units/angle'
import { ground, type Section } from '../section/section'

/** How far grinding a micro-bevel takes the apex back, mm. A starting value, ours. */
export const MICRO_BEVEL_BACK_MM = 0.01

/**
 * A micro-bevel on a straight bevel that reaches the apex: the width of its face on one side, mm, and the area of the
 * section that it takes off there, mm². `bevelDeg`: the edge bevel's angle per side; `addDeg`: so much steeper, over
 * 0. Source: law of sines in the triangle of the old apex, the new one and the new shoulder; docs/ink.md.
 */
export function microBevel(
  bevelDeg: number,
  addDeg: number,
  backMm = MICRO_BEVEL_BACK_MM,
): { readonly widthMm: number; readonly removedMm2: number } {
  const widthMm = (backMm * Math.sin(radians(bevelDeg))) / Math.sin(radians(addDeg))
  return { widthMm, removedMm2: (backMm * widthMm * Math.sin(radians(bevelDeg + addDeg))) / 2 }
}

/** A section whose bevel reaches the apex, with its micro-bevel ground on, `deg` per side. */
export const withMicroBevel = (section: Section, deg: number): Section =>
  ground(section, deg, MICRO_BEVEL_BACK_MM).section
