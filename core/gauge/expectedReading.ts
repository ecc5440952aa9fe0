import type { Contact } from '../angle/contact'
import { primaryFaceDeg } from '../blade/primaryFace'
import { shareAlong } from '../blade/shareAlong'
import { asThickAs } from '../blade/taper'
import type { Side } from '../clamping/centring'
import { centrePlaneOf, type Setup } from '../setup/setup'
import { degrees, radians } from '../units/angle'
import { add, rotate, scale, subtract, unit, type Vec2 } from '../vector/vec2'
import type { GaugeZero } from '../setup/gaugeZero'

/**
 * What a level gauge along the rod must read at a contact, degrees, the stone's middle over it: the fall of the rod
 * against what the gauge was zeroed on (turned the way it stands on the stone). Source: docs/geometry.md, "What a level
 * gauge reads".
 */
export function expectedReadingDeg(setup: Setup, side: Side, contact: Contact, zero: GaugeZero): number {
  if (zero === 'centre-plane') return contact.gaugeDeg
  const rod = rodRun(contact, setup.stone.faceOffsetMm)
  const plane = centrePlaneOf(setup, side, contact)
  if (zero === 'clamp') {
    const [along, out] = rotate(rod.run, -radians(plane.axisTurnDeg))
    const tilt = radians(plane.tiltDeg)
    const outInClamp = out * Math.cos(tilt) + rod.fall * Math.sin(tilt)
    const fallInClamp = rod.fall * Math.cos(tilt) - out * Math.sin(tilt)
    return degrees(Math.atan2(fallInClamp, Math.hypot(along, outInClamp)))
  }
  const bladeOut: Vec2 = rotate([0, 1], radians(setup.hold.turnDeg))
  const direction = unit(rod.run)
  const share = direction[0] * bladeOut[0] + direction[1] * bladeOut[1]
  return (
    contact.gaugeDeg -
    degrees(
      Math.atan(
        Math.tan(radians(primaryFaceDeg(asThickAs(setup.blade, shareAlong(setup.blade, contact)), side))) * share,
      ),
    )
  )
}

/** From the pivot to the rod's axis over the contact, in the blade's plane: how far along it and how far down, mm. */
function rodRun(contact: Contact, faceOffsetMm: number): { run: Vec2; fall: number } {
  const theta = radians(contact.edgeAngleDeg)
  const axis = add(contact.point, scale(contact.outward, faceOffsetMm * Math.sin(theta)))
  return { run: subtract(axis, contact.foot), fall: contact.heightMm - faceOffsetMm * Math.cos(theta) }
}
