import { degrees, radians } from '../../math/units/angle'
import { lengthOn, type Screen } from './scale'

/**
 * What a scale shows of a face at an angle when its edge is turned in the blade's plane, so many degrees off square to
 * the beam, degrees: the beam is sent off aside as well as up, and less far up. Source: docs/goniometer.md, "An edge
 * turned in the beam".
 */
export function shownTurnedDeg(faceDeg: number, turnedDeg: number): number {
  const [a, sin] = [radians(2 * faceDeg), Math.sin(radians(turnedDeg))]
  const cos = Math.cos(radians(turnedDeg))
  return degrees(Math.atan2(cos * Math.sin(a), sin * sin + cos * cos * Math.cos(a))) / 2
}

/** The face's angle where the scale shows so much of an edge that is turned so far, degrees. The other way round. */
export function faceTurnedDeg(shownDeg: number, turnedDeg: number): number {
  const [read, cos] = [radians(2 * shownDeg), Math.cos(radians(turnedDeg))]
  const [up, onward] = [Math.sin(read), Math.cos(read)]
  const more = Math.asin((up * (1 - cos * cos)) / (cos * Math.hypot(onward, up * cos)))
  return degrees(Math.atan2(up * cos, onward) + more) / 2
}

/**
 * How far an edge is turned in the beam, degrees, where its spot stands so much beside the line of the scale for each
 * part that it stands up along it: sin ψ · tan a. Not a number where no edge throws its spot so far aside.
 */
export function turnedByDeg(slant: number, shownDeg: number): number {
  let turned = 0
  // The face's angle follows from the turn; a few rounds settle both.
  for (let i = 0; i < 8; i++)
    turned = degrees(Math.asin(Math.abs(slant) / Math.tan(radians(faceTurnedDeg(shownDeg, turned)))))
  return turned
}

/**
 * How far the edge's spots stand beside the line of a scale, for each part that they stand up along it, straight across
 * the beam; from both as the scale shows them, degrees. A drawn scale is bent about the edge: there the spots of an
 * edge that reads a stand 2a along it, and sin 2a up. Source: docs/goniometer.md, "An edge turned in the beam".
 */
export function slantOf(besideDeg: number, shownDeg: number, screen: Screen): number {
  const up = radians(2 * shownDeg)
  const bent = screen.kind === 'arc' ? up / Math.sin(up) : 1
  return (lengthOn(screen, besideDeg) / lengthOn(screen, shownDeg)) * bent
}
