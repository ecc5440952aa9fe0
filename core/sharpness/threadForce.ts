/** What several cuts through the same thread come to, grams. */
export interface ThreadForce {
  readonly meanG: number
  /** Standard deviation from cut to cut; null of a single one. */
  readonly spreadG: number | null
  /** Half-width of the range that holds 95 in 100 such means; null of a single one. */
  readonly doubtG: number | null
}

/** Student's factor for 95 in 100, by the number of cuts less one. Source: tables of Student's distribution. */
const STUDENT = [12.71, 4.3, 3.18, 2.78, 2.57, 2.45, 2.36, 2.31, 2.26]

/** What cuts through a thread come to; null where there are none. Source: docs/sharpness.md. */
export function threadForce(forcesG: readonly number[]): ThreadForce | null {
  const n = forcesG.length
  if (n === 0) return null
  const meanG = forcesG.reduce((sum, one) => sum + one, 0) / n
  if (n === 1) return { meanG, spreadG: null, doubtG: null }
  const spreadG = Math.sqrt(forcesG.reduce((sum, one) => sum + (one - meanG) ** 2, 0) / (n - 1))
  const factor = STUDENT[n - 2] ?? 1.96 + 2.4 / (n - 1)
  return { meanG, spreadG, doubtG: (factor * spreadG) / Math.sqrt(n) }
}
