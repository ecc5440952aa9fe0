import type { EdgePoint } from '../../math/curve/edgePoints'
import { degrees } from '../../math/units/angle'
import type { Blade } from './blade'
import { headingUncertaintyDeg } from './headingUncertainty'
import { shareAlong } from './shareAlong'

/** A curve that was traced, drawn or typed follows the edge as well as a rule laid along it. */
const AS_MEASURED_DEG = 0.5
/**
 * A shape of the library has the edge's few widths; how it turns between them is the shape's own: so much of a turn.
 */
const LIBRARY_SHARE_OF_TURN = 0.06

/**
 * How far the edge's true direction may be off its curve's at a place: half-width at 95 in 100, degrees. As its trace
 * has it all along; else as was said of the blade; else half a degree, and for a shape of the library more the further
 * the edge has turned away from the blade's length there. Source: docs/geometry.md, "Uncertainty".
 */
export function edgeHeadingToleranceDeg(
  {
    shape,
    edge,
    edgeUncertainty,
    edgeHeadingToleranceDeg: said,
  }: Pick<Blade, 'shape' | 'edge' | 'edgeUncertainty' | 'edgeHeadingToleranceDeg'>,
  { heading, fromHeelMm }: Pick<EdgePoint, 'heading' | 'fromHeelMm'>,
): number {
  if (edgeUncertainty) return headingUncertaintyDeg(edgeUncertainty, shareAlong({ edge }, { fromHeelMm }))
  if (said !== null || shape === null) return said ?? AS_MEASURED_DEG
  const turnedDeg = Math.abs(degrees(Math.atan2(heading[1], heading[0])))
  return AS_MEASURED_DEG + LIBRARY_SHARE_OF_TURN * Math.min(turnedDeg, 90)
}
