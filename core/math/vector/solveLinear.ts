import { nth } from '../list'

/**
 * Solves linear equations, each a row of its factors and then its right side, by Gauss–Jordan with partial pivoting;
 * null when they do not settle it.
 */
export function solveLinear(rows: number[][]): number[] | null {
  const size = rows.length
  for (let column = 0; column < size; column++) {
    const below = rows.slice(column)
    const pivot = below.reduce((best, row) => (Math.abs(nth(row, column)) > Math.abs(nth(best, column)) ? row : best))
    if (Math.abs(nth(pivot, column)) < 1e-9) return null
    const from = rows.indexOf(pivot)
    ;[rows[column], rows[from]] = [pivot, nth(rows, column)]
    for (const row of rows) {
      if (row === pivot) continue
      const times = nth(row, column) / nth(pivot, column)
      pivot.forEach((one, k) => (row[k] = nth(row, k) - times * one))
    }
  }
  return rows.map((row, i) => nth(row, size) / nth(row, i))
}
