import type { Contact } from '../contact/contact'
import { primaryFaceDeg } from '../../records/blade/primaryFace'
import { shareAlong } from '../../records/blade/shareAlong'
import { asThickAs } from '../../records/blade/taper'
import type { Side } from '../../records/common/side'
import type { CentrePlane } from '../clamping/centring'
import { centrePlaneOf, type Setup } from '../setup/setup'
import { degrees, radians } from '../../math/units/angle'
import { add, dot, length, rotate, scale, subtract, unit, type Vec2 } from '../../math/vector/vec2'
import type { GaugeAxes, GaugeUse } from '../../records/job/gaugeZero'

/**
 * What a level gauge along the rod must read at a contact, degrees, the stone's middle over it: the fall of the rod
 * against what the gauge was zeroed on (turned the way it stands on the stone). One with a single axis rolls with the
 * stone about the rod and reads atan(sin ε / cos θ) of a rod that falls by ε under a face that slopes by θ: the edge
 * angle where the rod is square to the edge, more than the rod's fall elsewhere. Source: docs/geometry.md, "What a
 * level gauge reads".
 */
export function expectedReadingDeg(setup: Setup, side: Side, contact: Contact, { zero, axes }: GaugeUse): number {
  if (zero === 'centre-plane' && axes === 'two') return contact.gaugeDeg
  const rod = rodRun(contact, setup.stone.faceOffsetMm)
  if (zero === 'clamp') {
    const plane = centrePlaneOf(setup, side)
    const seen = (run: Vec2, fall: number) => inClamp(run, fall, plane)
    const [theta, { run, fall }] = [radians(contact.edgeAngleDeg), seen(rod.run, rod.fall)]
    // The face's normal, as a run that falls by as much as it rises.
    const up = -seen(scale(contact.outward, Math.sin(theta)), -Math.cos(theta)).fall
    return readBy(axes, Math.atan2(fall, length(run)), up)
  }
  const reading = readBy(axes, radians(contact.gaugeDeg), Math.cos(radians(contact.edgeAngleDeg)))
  if (zero === 'centre-plane') return reading
  const bladeOut: Vec2 = rotate([0, 1], radians(setup.hold.turnDeg))
  const flatDeg = primaryFaceDeg(asThickAs(setup.blade, shareAlong(setup.blade, contact)), side)
  return reading - degrees(Math.atan(Math.tan(radians(flatDeg)) * dot(unit(rod.run), bladeOut)))
}

/** The reading of a rod that falls by an angle under a face whose normal rises by so much of its length, degrees. */
const readBy = (axes: GaugeAxes, fall: number, up: number): number =>
  degrees(axes === 'two' ? fall : Math.atan2(Math.sin(fall), up))

/** A run in the blade's plane and its fall, against the clamp's plane. */
function inClamp(run: Vec2, fall: number, plane: CentrePlane): { run: Vec2; fall: number } {
  const [twist, tilt] = [radians(plane.twistDeg ?? 0), radians(plane.tiltDeg)]
  const untwisted: Vec2 = [run[0] * Math.cos(twist) + fall * Math.sin(twist), run[1]]
  const falls = fall * Math.cos(twist) - run[0] * Math.sin(twist)
  const [along, out] = rotate(untwisted, -radians(plane.axisTurnDeg))
  return {
    run: [along, out * Math.cos(tilt) + falls * Math.sin(tilt)],
    fall: falls * Math.cos(tilt) - out * Math.sin(tilt),
  }
}

/** From the pivot to the rod's axis over the contact, in the blade's plane: how far along it and how far down, mm. */
function rodRun(contact: Contact, faceOffsetMm: number): { run: Vec2; fall: number } {
  const theta = radians(contact.edgeAngleDeg)
  const axis = add(contact.point, scale(contact.outward, faceOffsetMm * Math.sin(theta)))
  return { run: subtract(axis, contact.foot), fall: contact.heightMm - faceOffsetMm * Math.cos(theta) }
}
