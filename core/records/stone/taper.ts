import { degrees } from '../../math/units/angle'

/**
 * The face offset that counts, at the stone's middle, mm, from those at its ends and how far it is hollow between them.
 * Source: docs/geometry.md, "Changing the stone".
 */
export const middleOffsetMm = (nearMm: number, farMm: number, dishMm: number): number => (nearMm + farMm) / 2 - dishMm

/**
 * How far a stone's face is tilted to the rod, degrees, from its face offset at both ends: positive when the far end's
 * face lies further from the rod. With the rod square to the edge the edge angle is wrong by as much. Source:
 * docs/geometry.md, "Changing the stone".
 */
export const faceTiltDeg = (nearMm: number, farMm: number, lengthMm: number): number =>
  degrees(Math.atan2(farMm - nearMm, lengthMm))

/**
 * How far the face of a dished stone is tilted at its ends, degrees, from the depth of the dish over its length: the
 * end slope of a shallow arc, 4 · depth / length. A stroke that ends there is off by as much, up at one end and down at
 * the other. Source: as above.
 */
export const dishTiltDeg = (dishMm: number, lengthMm: number): number => degrees(Math.atan((4 * dishMm) / lengthMm))
