import { nth } from '../list'

export const middleOf = (values: readonly number[]): number =>
  values.length === 0
    ? 0
    : nth(
        [...values].sort((a, b) => a - b),
        Math.floor(values.length / 2),
      )

/** A robust standard deviation of values that are nearly all noise about 0. */
export const deviationOf = (values: readonly number[]): number => middleOf(values.map(Math.abs)) / 0.6745
