import { degrees } from '../units/angle'

/**
 * How far a stone's face is tilted to the rod, degrees, from its face offset at both ends: positive when the far end's face lies
 * further from the rod. With the rod square to the edge the edge angle is wrong by as much.
 * Source: docs/geometry.md, "Changing the stone".
 */
export const faceTiltDeg = (nearMm: number, farMm: number, lengthMm: number): number => degrees(Math.atan2(farMm - nearMm, lengthMm))
