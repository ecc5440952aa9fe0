import { degrees, radians } from '../units/angle'
import { refuse, type Refusal } from '../../schema/refusal'

export interface EdgeAngle {
  readonly ok: true
  /** Per side: between the blade's centre plane and the bevel. */
  readonly edgeAngleDeg: number
}

/**
 * The true edge angle per side, in degrees.
 *
 * heightMm: the pivot above the blade's centre plane. distanceMm: in that plane, from the pivot's foot to the
 * tangent line of the edge. faceOffsetMm: the abrasive face nearer the edge than the rod's axis.
 * Refused when the pivot stands no higher than the face (the stone cannot come down to the edge; `limitMm` is what it
 * must exceed) or when the tangent line runs behind the pivot. Source: docs/geometry.md, "Edge angle".
 */
export function edgeAngle(heightMm: number, distanceMm: number, faceOffsetMm: number): EdgeAngle | Refusal {
  if (!(distanceMm > 0)) return refuse('edge-behind-pivot')
  if (!(heightMm > faceOffsetMm)) return refuse('pivot-below-face', { limitMm: faceOffsetMm })
  const toPivot = Math.sqrt(heightMm * heightMm + distanceMm * distanceMm)
  return { ok: true, edgeAngleDeg: degrees(Math.atan2(heightMm, distanceMm) - Math.asin(faceOffsetMm / toPivot)) }
}

/**
 * The inverse: the height (mm) above the blade's centre plane at which a pivot at this distance gives an edge angle
 * between 0° and 90°: r·tan θ + d / cos θ. Source: docs/geometry.md, "Solving for a wanted angle".
 */
export function heightForAngleMm(edgeAngleDeg: number, distanceMm: number, faceOffsetMm: number): number {
  const theta = radians(edgeAngleDeg)
  return distanceMm * Math.tan(theta) + faceOffsetMm / Math.cos(theta)
}
