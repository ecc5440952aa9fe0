import { nth } from '../../math/list'
import { solveLinear } from '../../math/vector/solveLinear'
import type { Vec2 } from '../../math/vector/vec2'

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
    const [[x, y], [u, v]] = [nth(from, i), nth(to, i)]
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v])
  }
  const solved = solveLinear(rows)
  if (!solved) return null
  const at = (i: number) => nth(solved, i)
  return [at(0), at(1), at(2), at(3), at(4), at(5), at(6), at(7), 1]
}

export function applied([a, b, c, d, e, f, g, h, i]: Homography, [x, y]: Vec2): Vec2 {
  const w = g * x + h * y + i
  return [(a * x + b * y + c) / w, (d * x + e * y + f) / w]
}
