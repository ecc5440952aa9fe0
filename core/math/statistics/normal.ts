/** Standard deviations to either side of the mean that hold 95 in 100 of a normal distribution. */
export const Z95 = 1.96

/** The normal distribution up to z: the share of it that lies below. Source: Abramowitz and Stegun, 7.1.26. */
export function normalCdf(z: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(z)) / Math.SQRT2)
  const series = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const above = (series * Math.exp((-z * z) / 2)) / 2
  return z < 0 ? above : 1 - above
}

/** How many standard deviations to either side leave such a share of a normal distribution outside: by halving. */
export function zLeaving(share: number): number {
  let [low, high] = [0, 10]
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    if (2 * normalCdf(-middle) > share) low = middle
    else high = middle
  }
  return high
}
