import type { Side } from '../../records/common/side'
import type { CentrePlane } from './centring'
import type { ClampPosition, Rest } from '../../records/job/clampPosition'
import { radians } from '../../math/units/angle'
import type { Blade } from '../../records/blade/blade'
import { primaryHalfAngleDeg } from '../../records/blade/primaryHalfAngle'
import { shoulderDepthMm } from '../../records/blade/shoulder'

/** Less of parallel flats than this no blade lies on, mm. */
const LEAST_FLAT_MM = 1

/** Whether a blade has parallel flats to lie on; one with a flat back lies on that. */
export const hasFlats = (of: Pick<Blade, 'bevels' | 'widthMm' | 'primaryGrindHeightMm'>): boolean =>
  of.bevels === 'both' && of.widthMm - of.primaryGrindHeightMm >= LEAST_FLAT_MM

/**
 * What a blade lies on by itself: on its flats where the middle of its section's weight is over them, else it tips onto
 * its primary face. The section is as thick as its spine as far as the flats go, then thins straight to what stands
 * behind the edge. A handle is not weighed. Source: docs/geometry.md, "Rigs", table with post.
 */
export function restByWeight(of: Blade): Rest {
  if (!hasFlats(of)) return 'face'
  const flatMm = of.widthMm - of.primaryGrindHeightMm
  const [thick, thin, faceMm] = [of.spineThicknessMm, of.thicknessBehindEdgeMm, of.primaryGrindHeightMm]
  const [flat, face] = [thick * flatMm, ((thick + thin) / 2) * faceMm]
  const middleOfFace = flatMm + (faceMm * (thick + 2 * thin)) / (3 * (thick + thin))
  return (flat * (flatMm / 2) + face * middleOfFace) / (flat + face) <= flatMm ? 'flats' : 'face'
}

/** What a blade lies on as it is held: what a hand has said, where there are flats at all. */
export const restOf = (of: Blade, { restsOn }: Pick<ClampPosition, 'restsOn'>): Rest =>
  hasFlats(of) ? (restsOn ?? restByWeight(of)) : 'face'

/**
 * Where the centre plane of a blade resting on a table lies over it. On its parallel flats it lies level, half of the
 * spine's thickness up. On its primary face it falls outward by the slope of that face, about the blade's own length,
 * and the edge stands where the two faces, run on to it, would leave it over the table. The faces' slopes are the
 * primary half-angle, less the clamp position's tilt with side A up and more by it with side B up. A blade with a bevel
 * on side A alone is measured from its flat back. Source: docs/geometry.md, "Rigs", table with post.
 */
export function restingCentrePlane(of: Blade, hold: ClampPosition, side: Side): CentrePlane {
  const flatBack = of.bevels === 'A'
  if (restOf(of, hold) === 'flats') {
    const tiltDeg = side === 'A' ? hold.tiltDeg : -hold.tiltDeg
    const middle = (of.spineThicknessMm / 2) * Math.cos(radians(tiltDeg))
    return { offsetMm: middle, tiltDeg, axisTurnDeg: hold.turnDeg }
  }
  const slope = flatBack ? 0 : primaryHalfAngleDeg(of)
  const half = slope - (side === 'A' ? hold.tiltDeg : -hold.tiltDeg)
  const edgeFromOrigin = of.widthMm - hold.bladeYMm
  const faceAtEdge = flatBack ? 0 : of.thicknessBehindEdgeMm / 2 - shoulderDepthMm(of) * Math.tan(radians(slope))
  const edgeOverTable = faceAtEdge * Math.cos(radians(half))
  return {
    offsetMm: edgeOverTable + edgeFromOrigin * Math.sin(radians(half)),
    tiltDeg: -half,
    axisTurnDeg: hold.turnDeg,
  }
}
