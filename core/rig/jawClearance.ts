import type { JawSet } from './jawSet'
import type { Rig } from './rig'
import type { Stone } from '../stone/stone'
import { degrees, radians } from '../units/angle'
import type { Contact } from '../angle/contact'

/**
 * The lowest edge angle (degrees) at which the stone at this contact passes over the jaws' front corner, and at the
 * bottom of its stroke over what stands higher behind it (a screw, a knob); null where it meets neither at any angle.
 * Source: docs/geometry.md, "Limits".
 */
export function lowestAngleOverJawsDeg(
  contact: Contact,
  jaws: JawSet,
  stone: Pick<Stone, 'lengthMm' | 'widthMm'>,
  stroke: Rig['stroke'],
): number | null {
  const front = lowestOver(0, jaws.halfThicknessMm)
  const knob =
    jaws.knobHeightMm !== null && jaws.knobBehindMm !== null ? lowestOver(jaws.knobBehindMm, jaws.knobHeightMm) : null
  return front === null || knob === null ? (front ?? knob) : Math.max(front, knob)

  /** Over a corner so far behind the front line and so high; null where the stone never comes over it. */
  function lowestOver(behindMm: number, highMm: number): number | null {
    const [dv, fromFoot] = [contact.point[1] - contact.foot[1], -behindMm - contact.foot[1]]
    if (dv <= 0 || fromFoot <= 0) return null
    const share = fromFoot / dv
    const [du, [along, outward]] = [contact.point[0] - contact.foot[0], contact.outward]
    const crossingU = contact.foot[0] + du * share
    // The stretch of the corner under the stone: as wide as the stone, measured across the rod, as far as the jaws go.
    const halfSpan = (stone.widthMm / 2) * Math.sqrt(1 + (du / dv) ** 2)
    const from = Math.max(crossingU - halfSpan, -jaws.widthMm / 2)
    const to = Math.min(crossingU + halfSpan, jaws.widthMm / 2)
    if (from > to) return null
    // From the tangent to that stretch: least, and the face lowest, at one of its ends.
    const inFront =
      along * contact.point[0] + outward * (contact.point[1] + behindMm) - Math.max(along * from, along * to)
    if (inFront <= 0) return 90
    // At the bottom of its stroke the stone's upper end is at the contact, or its middle at the near stop.
    const lowerEndMm = Math.max(contact.reachMm - stone.lengthMm, (stroke?.nearestMm ?? 0) - stone.lengthMm / 2)
    const backMm = (contact.reachMm - lowerEndMm) * Math.cos(radians(contact.gaugeDeg))
    if (Math.hypot(contact.point[0] - crossingU, contact.point[1] + behindMm) > backMm) return null
    return degrees(Math.atan2(highMm, inFront))
  }
}
