import { degrees, radians } from '../../math/units/angle'

/** A gauge laid along the rod by eye stands square to it to this, half-width, degrees. */
export const SQUARE_BY_EYE_DEG = 5

/**
 * How far a gauge would have to stand turned off the rod's run to read what it read, degrees: turned by δ it reads
 * asin(sin ε · cos δ) of a slope ε, always too low. Null where it read no less than it must. Source: docs/geometry.md,
 * "What a level gauge reads".
 */
function offSquareDeg(readDeg: number, mustReadDeg: number): number | null {
  if (readDeg <= 0 || readDeg >= mustReadDeg) return null
  return degrees(Math.acos(Math.sin(radians(readDeg)) / Math.sin(radians(mustReadDeg))))
}

/** The same of several readings, on the mean; null where one of them is none that is too low, or there is none. */
export function meanOffSquareDeg(
  read: readonly { readonly readDeg: number; readonly mustDeg: number }[],
): number | null {
  const each = read.flatMap(({ readDeg, mustDeg }) => offSquareDeg(readDeg, mustDeg) ?? [])
  return each.length < Math.max(1, read.length) ? null : each.reduce((sum, one) => sum + one, 0) / each.length
}

/** What a gauge reads that stands so far off square where it must read so much, degrees: the other way round. */
export const readOffSquareDeg = (mustReadDeg: number, offDeg: number): number =>
  degrees(Math.asin(Math.sin(radians(mustReadDeg)) * Math.cos(radians(offDeg))))
