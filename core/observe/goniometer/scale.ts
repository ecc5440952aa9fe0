import { degrees, radians } from '../../math/units/angle'

/** What the spots fall on: a scale drawn in degrees of edge angle, or a flat screen across the beam. */
export type Screen = { readonly kind: 'arc' } | { readonly kind: 'flat'; readonly distanceMm: number }

/**
 * How far from a screen's middle the spot of a face at so many degrees falls, as a length: on an arc in degrees, on a
 * flat screen in parts of its distance.
 */
export const lengthOn = ({ kind }: Screen, deg: number): number => (kind === 'arc' ? deg : flatScreenMm(deg, 1))

/** The angle, in degrees, of such a length. The other way round. */
export const degreesOn = ({ kind }: Screen, length: number): number =>
  kind === 'arc' ? length : flatScreenDeg(length, 1)

/**
 * The angle of a face to the blade's centre plane, degrees per side, of a spot so far from the middle of a flat
 * screen, mm, at a distance from the edge along the beam: the beam is sent off by twice the face's angle. Keeps its
 * sign. Source: docs/goniometer.md, "What a spot says".
 */
export const flatScreenDeg = (spotMm: number, distanceMm: number): number => degrees(Math.atan2(spotMm, distanceMm)) / 2

/** Where on a flat screen the spot of such a face falls, mm from its middle. The other way round. */
export const flatScreenMm = (deg: number, distanceMm: number): number => distanceMm * Math.tan(radians(2 * deg))
