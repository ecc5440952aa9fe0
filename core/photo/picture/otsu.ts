/** Where two kinds part best: the threshold, the mean on both sides of it, and the spread within. Source: Otsu 1979. */
export function otsu(values: readonly number[]) {
  const [least, most] = [
    values.reduce((a, b) => Math.min(a, b), Infinity),
    values.reduce((a, b) => Math.max(a, b), -Infinity),
  ]
  const BINS = 128
  const step = (most - least) / BINS || 1
  const [counts, sums] = [new Float64Array(BINS), new Float64Array(BINS)]
  let squares = 0
  for (const value of values) {
    const bin = Math.min(BINS - 1, Math.floor((value - least) / step))
    counts[bin]!++
    sums[bin]! += value
    squares += value * value
  }
  const total = sums.reduce((sum, one) => sum + one, 0)
  let [n, sum] = [0, 0]
  let best = { at: least, below: total / values.length, above: total / values.length, fractionAbove: 0, between: 0 }
  for (let bin = 0; bin < BINS - 1; bin++) {
    n += counts[bin]!
    sum += sums[bin]!
    if (n === 0 || n === values.length) continue
    const [below, above] = [sum / n, (total - sum) / (values.length - n)]
    const between = (n * (values.length - n) * (above - below) ** 2) / values.length ** 2
    // Between two clumps the middle of the gap parts them as well as its ends: halfway between their means.
    if (between > best.between)
      best = { at: (below + above) / 2, below, above, fractionAbove: 1 - n / values.length, between }
  }
  const variance = squares / values.length - (total / values.length) ** 2
  return { ...best, spread: Math.sqrt(Math.max(0, variance - best.between)) }
}
