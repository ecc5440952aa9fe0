import type { Vec2 } from '../vector/vec2'

/** A projective map of the plane: three rows of three. */
export type Homography = readonly [number, number, number, number, number, number, number, number, number]

/**
 * The projective map that takes four points to four others; null when three of them lie on a line, so that there is
 * none. Source: docs/geometry.md, "Tracing a photograph" (the eight linear equations, solved by elimination).
 */
export function homographyOf(from: readonly Vec2[], to: readonly Vec2[]): Homography | null {
  if (from.length !== 4 || to.length !== 4) return null
  const rows: number[][] = []
  for (let i = 0; i < 4; i++) {
    const [[x, y], [u, v]] = [from[i]!, to[i]!]
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v])
  }
  const solved = eliminate(rows)
  return solved && ([...solved, 1] as unknown as Homography)
}

/** A scale from two points of known distance: the picture as it is, so many millimetres for a pixel. */
export const scaleOnly = (mmPerPixel: number): Homography => [mmPerPixel, 0, 0, 0, mmPerPixel, 0, 0, 0, 1]

export function applied([a, b, c, d, e, f, g, h, i]: Homography, [x, y]: Vec2): Vec2 {
  const w = g * x + h * y + i
  return [(a * x + b * y + c) / w, (d * x + e * y + f) / w]
}

/** Gauss–Jordan with partial pivoting; null when the equations do not settle it. */
function eliminate(rows: number[][]): number[] | null {
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
