/**
 * Where values stand highest: local maxima of at least a height that stand out by at least so much from what parts
 * them from higher ones (their prominence). Of a flat top its first place.
 */
export function peaksOf(values: ArrayLike<number>, least: { height: number; prominence: number }): number[] {
  const peaks: number[] = []
  for (let i = 1; i < values.length - 1; i++) {
    const height = values[i]!
    if (height < least.height || height <= values[i - 1]! || height < values[i + 1]!) continue
    const low = Math.max(lowestBefore(values, i, -1), lowestBefore(values, i, 1))
    if (height - low >= least.prominence) peaks.push(i)
  }
  return peaks
}

/** The lowest value from a peak on until something higher stands. */
function lowestBefore(values: ArrayLike<number>, peak: number, step: 1 | -1): number {
  let low = values[peak]!
  for (let i = peak + step; i >= 0 && i < values.length && values[i]! <= values[peak]!; i += step)
    low = Math.min(low, values[i]!)
  return low
}
