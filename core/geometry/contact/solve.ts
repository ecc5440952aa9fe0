/**
 * Root of g by the secant method from x0, to 1e-9 in x; null when it does not converge. For a linear g the second step
 * is exact. Source: any textbook of numerical analysis.
 */
export function secantRoot(g: (x: number) => number, x0: number, step = 1): number | null {
  let [a, ga] = [x0, g(x0)]
  let [b, gb] = [x0 + step, g(x0 + step)]
  for (let i = 0; i < 60; i++) {
    if (Math.abs(gb - ga) < 1e-14) return Math.abs(gb) < 1e-9 ? b : null
    const next = b - (gb * (b - a)) / (gb - ga)
    if (!Number.isFinite(next)) return null
    if (Math.abs(next - b) < 1e-9) return next
    ;[a, ga, b, gb] = [b, gb, next, g(next)]
  }
  return null
}
