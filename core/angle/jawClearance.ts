import { degrees } from '../units/angle'
import { dot, subtract } from '../vector/vec2'
import type { Contact } from './contact'

/**
 * The lowest edge angle (degrees) at which the face still passes over the jaws' front corner, for the stone at this
 * contact; null where the rod does not cross the jaws' front line within the jaws and half a stone's width.
 * Source: docs/geometry.md, "Limits".
 */
export function lowestAngleOverJawsDeg(
  contact: Contact,
  jaws: { widthMm: number; halfThicknessMm: number },
  stoneWidthMm: number,
): number | null {
  const [dv, fromFoot] = [contact.point[1] - contact.foot[1], -contact.foot[1]]
  if (dv <= 0) return null
  const crossing = contact.foot[0] + ((contact.point[0] - contact.foot[0]) * fromFoot) / dv
  if (Math.abs(crossing) > (jaws.widthMm + stoneWidthMm) / 2) return null
  const inFront = dot(contact.outward, subtract(contact.point, [crossing, 0]))
  return inFront > 0 ? degrees(Math.atan2(jaws.halfThicknessMm, inFront)) : 90
}
