/**
 * Solves linear equations, each a row of its factors and then its right side, by Gauss–Jordan with partial pivoting;
 * null when they do not settle it.
 */
export function solveLinear(rows: number[][]): number[] | null {
  const size = rows.length
  for (let column = 0; column < size; column++) {
    let pivot = column
    for (let row = column + 1; row < size; row++)
      if (Math.abs(rows[row]![column]!) > Math.abs(rows[pivot]![column]!)) pivot = row
    if (Math.abs(rows[pivot]![column]!) < 1e-9) return null
    ;[rows[column], rows[pivot]] = [rows[pivot]!, rows[column]!]
    for (let row = 0; row < size; row++) {
      if (row === column) continue
      const times = rows[row]![column]! / rows[column]![column]!
      for (let k = column; k <= size; k++) rows[row]![k]! -= times * rows[column]![k]!
    }
  }
  return rows.map((row, i) => row[size]! / row[i]!)
}
