const SHARE = (Math.sqrt(5) - 1) / 2

/** Where a function with one hollow between two places is least, to within `fine`. Source: Kiefer, 1953. */
export function goldenSection(least: number, most: number, fine: number, costAt: (at: number) => number): number {
  let [from, to] = [least, most]
  let [a, b] = [to - SHARE * (to - from), from + SHARE * (to - from)]
  let [costA, costB] = [costAt(a), costAt(b)]
  while (to - from > fine) {
    if (costA < costB) {
      ;[to, b, costB] = [b, a, costA]
      a = to - SHARE * (to - from)
      costA = costAt(a)
    } else {
      ;[from, a, costA] = [a, b, costB]
      b = from + SHARE * (to - from)
      costB = costAt(b)
    }
  }
  return costA < costB ? a : b
}
