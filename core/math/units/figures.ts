/**
 * How many decimals a figure may be shown with, given its uncertainty (half-width, same unit): the last digit shown is
 * never finer than the decade of the uncertainty. An uncertainty of 0.3 backs one decimal, 0.04 two, 2 none; at most
 * `most`.
 */
export function decimalsBackedBy(uncertainty: number, most = 2): number {
  if (!(uncertainty > 0)) return most
  return Math.min(most, Math.max(0, -Math.floor(Math.log10(uncertainty))))
}

/** Rounds to the nearest multiple of a step; a step of zero leaves the value as it is. */
export const roundToStep = (value: number, step: number): number => (step > 0 ? Math.round(value / step) * step : value)

/** A value brought into a range: its nearer end where it lies outside. */
export const clamp = (value: number, [least, most]: readonly [number, number]): number =>
  Math.min(most, Math.max(least, value))
