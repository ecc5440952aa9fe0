/** The median, the upper one of two; 0 where there are no values. */
export const middleOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0

/** A robust standard deviation of values that are nearly all noise about 0. */
export const deviationOf = (values: readonly number[]): number => middleOf(values.map(Math.abs)) / 0.6745
