import type { Side } from '../../records/common/side'
import type { CentrePlane } from './centring'
import type { ClampPosition, Rest } from '../../records/job/clampPosition'
import { degrees, radians } from '../../math/units/angle'
import type { Blade } from '../../records/blade/blade'
import { depthAt } from '../../math/vector/lowestFacet'
import { hasFlats, rocksByDeg, tablePlane, tableSupport, type TableSupport } from './tableSupport'

/** How a blade lies on a table, with what can be off about that. */
export interface TableHold extends ClampPosition {
  /** The places that it stands on, kept while its measures are changed a little; absent: found by them. */
  readonly support?: TableSupport
  /** How far it is rocked on its face, degrees. */
  readonly rockedDeg?: number
}

/** A blade whose slope along its length is less than this lies level along it: rounding leaves some. */
const LEVEL = 1e-9

/** What a blade lies on by itself. Source: docs/geometry.md, "Rigs", table with post. */
export const restByWeight = (of: Blade): Rest => (of.bevels === 'A' ? 'face' : tableSupport(of, undefined).rest)

/** What a blade lies on as it is held: what a hand has said, where there are flats at all. */
export const restOf = (of: Blade, { restsOn }: Pick<ClampPosition, 'restsOn'>): Rest =>
  hasFlats(of) ? (restsOn ?? restByWeight(of)) : 'face'

/** How a blade lies on a table, degrees. */
export interface TablePose {
  /** How its centre plane falls from spine to edge, and from heel to tip. */
  readonly fallsDeg: number
  readonly fallsToTipDeg: number
  /** How far it rocks when it is pressed near heel or tip. */
  readonly rocksDeg: number
}

/** The pose of a blade that is bevelled on both sides, its faces alike. Source: as above. */
export function tablePose(of: Blade, { restsOn }: Pick<ClampPosition, 'restsOn'>): TablePose {
  const support = tableSupport(of, restsOn)
  const { perX, perY } = tablePlane(of, support)
  const falls = (slope: number) => degrees(Math.atan(-slope))
  return { fallsDeg: falls(perY), fallsToTipDeg: falls(perX), rocksDeg: rocksByDeg(of, support) }
}

/**
 * Where the centre plane of a blade resting on a table lies over it, all along in one pose. On its parallel flats it
 * lies half of the spine's thickness up, and falls towards the tip by half of what it thins. On its primary face it
 * falls outward by the slope of that face, about the blade's own length, and along it as the facet does that it lies
 * on. The faces' slopes are less by the clamp position's tilt with side A up, and more by it with side B up. A blade
 * with a bevel on side A alone is measured from its flat back. Source: docs/geometry.md, "Rigs", table with post.
 */
export function restingCentrePlane(of: Blade, hold: TableHold, side: Side): CentrePlane {
  const tiltDeg = side === 'A' ? hold.tiltDeg : -hold.tiltDeg
  const { bladeXMm: x, bladeYMm: y, turnDeg, restsOn } = hold
  if (of.bevels === 'A')
    return { offsetMm: (of.widthMm - y) * Math.sin(radians(-tiltDeg)), tiltDeg, axisTurnDeg: turnDeg }
  const support = hold.support ?? tableSupport(of, restsOn)
  const plane = tablePlane(of, support, hold.rockedDeg)
  const along = Math.abs(plane.perX) < LEVEL ? 0 : plane.perX
  // Faces that slope unequally turn it about where it touches: the flats' line at the clamp's origin, or the edge.
  const aboutY = support.rest === 'flats' ? y : of.widthMm
  const outward = Math.tan(Math.atan(plane.perY) + radians(tiltDeg))
  const over = depthAt(plane, [x, aboutY]) + outward * (y - aboutY)
  const offsetMm = over / Math.hypot(1, along, outward)
  if (along === 0) return { offsetMm, tiltDeg: degrees(Math.atan(outward)), axisTurnDeg: turnDeg }
  const sign = outward < 0 ? -1 : 1
  return {
    offsetMm,
    tiltDeg: sign * degrees(Math.atan(Math.hypot(along, outward))),
    axisTurnDeg: turnDeg + degrees(Math.atan2(-along * sign, outward * sign)),
  }
}
