import { lastOf, nth } from '../list'
import { solveLinear } from '../vector/solveLinear'
import type { Vec2 } from '../vector/vec2'

/** The parabola of least squares; null where the points do not tell one. */
export function parabolaThrough(points: readonly Vec2[]): ((u: number) => number) | null {
  const [from, to] = [nth(points, 0)[0], lastOf(points)[0]]
  const unit = (u: number) => (2 * (u - from)) / (to - from) - 1
  const sum = (power: number, of: (d: number) => number) =>
    points.reduce((all, [u, d]) => all + of(d) * unit(u) ** power, 0)
  const factors = solveLinear(
    [0, 1, 2].map((i) => [...[i, i + 1, i + 2].map((power) => sum(power, () => 1)), sum(i, (d) => d)]),
  )
  if (!factors) return null
  const [a, b, c] = [nth(factors, 0), nth(factors, 1), nth(factors, 2)]
  return (u) => a + b * unit(u) + c * unit(u) ** 2
}
