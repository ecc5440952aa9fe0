import type { JawSet } from './jawSet'
import type { Rig } from './rig'
import type { Stone } from '../stone/stone'
import { degrees, radians } from '../units/angle'
import { dot, subtract, type Vec2 } from '../vector/vec2'
import type { Contact } from '../angle/contact'

/**
 * The lowest edge angle (degrees) at which the stone at this contact passes over the jaws' front corner, and at the bottom of its stroke
 * over what stands higher behind it (a screw, a knob); null where it meets neither at any angle. Source: docs/geometry.md, "Limits".
 */
export function lowestAngleOverJawsDeg(contact: Contact, jaws: JawSet, stone: Pick<Stone, 'lengthMm' | 'widthMm'>, stroke: Rig['stroke']): number | null {
  const front = lowestOver(0, jaws.halfThicknessMm)
  const knob = jaws.knobHeightMm !== null && jaws.knobBehindMm !== null ? lowestOver(jaws.knobBehindMm, jaws.knobHeightMm) : null
  return front === null || knob === null ? (front ?? knob) : Math.max(front, knob)

  /** Over a corner so far behind the front line and so high; null where the stone never comes over it. */
  function lowestOver(behindMm: number, highMm: number): number | null {
    const [dv, fromFoot] = [contact.point[1] - contact.foot[1], -behindMm - contact.foot[1]]
    if (dv <= 0 || fromFoot <= 0) return null
    const share = fromFoot / dv
    const crossing: Vec2 = [contact.foot[0] + (contact.point[0] - contact.foot[0]) * share, -behindMm]
    if (Math.abs(crossing[0]) > (jaws.widthMm + stone.widthMm) / 2) return null
    const inFront = dot(contact.outward, subtract(contact.point, crossing))
    if (inFront <= 0) return 90
    // At the bottom of its stroke the stone's upper end is at the contact, or its middle at the near stop.
    const lowerEndMm = Math.max(contact.reachMm - stone.lengthMm, (stroke?.nearestMm ?? 0) - stone.lengthMm / 2)
    const backMm = (contact.reachMm - lowerEndMm) * Math.cos(radians(contact.gaugeDeg))
    if (Math.hypot(contact.point[0] - crossing[0], contact.point[1] - crossing[1]) > backMm) return null
    return degrees(Math.atan2(highMm, inFront))
  }
}
