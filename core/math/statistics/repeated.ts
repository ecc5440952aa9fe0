import { Z95 } from './normal'

/** What repeats of one measure come to, in their own unit. */
export interface Repeated {
  readonly mean: number
  /** Standard deviation from one to the next; null of a single one. */
  readonly spread: number | null
  /** Half-width of the range that holds 95 in 100 such means; null of a single one. */
  readonly uncertainty: number | null
}

/** Student's factor for 95 in 100, by the number of repeats less two. Source: tables of Student's distribution. */
const STUDENT = [12.71, 4.3, 3.18, 2.78, 2.57, 2.45, 2.36, 2.31, 2.26]

/** What repeats come to; null where there are none. Source: docs/sharpness.md. */
export function repeated(values: readonly number[]): Repeated | null {
  const n = values.length
  if (n === 0) return null
  const mean = values.reduce((sum, one) => sum + one, 0) / n
  if (n === 1) return { mean, spread: null, uncertainty: null }
  const spread = Math.sqrt(values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (n - 1))
  const factor = STUDENT[n - 2] ?? Z95 + 2.4 / (n - 1)
  return { mean, spread, uncertainty: (factor * spread) / Math.sqrt(n) }
}
