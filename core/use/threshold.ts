/** An edge that was used at an angle, and whether it failed: rolled or chipped. */
export interface AngleUsed {
  readonly deg: number
  readonly failed: boolean
}

/** The angle below which an edge of this blade fails in its use, degrees per side: what is known of it. */
export interface Threshold {
  /** It is below this in 5, 50 and 95 of 100. */
  readonly leastDeg: number
  readonly middleDeg: number
  readonly mostDeg: number
  /** How likely an edge at an angle fails, 0 to 1. */
  readonly failsAt: (deg: number) => number
}

/** Before anything is known it lies so far under the middle of the usual range, with this standard deviation. */
const [UNDER_MIDDLE_DEG, DEVIATION_DEG] = [2, 3]
/** An edge fails over so many degrees about its threshold, not at one of them. */
const STEEP_DEG = 0.6
/** Thresholds that are looked at, degrees per side. */
const [FROM_DEG, TO_DEG, STEP_DEG] = [0, 50, 0.02]
const GRID = Array.from({ length: Math.round((TO_DEG - FROM_DEG) / STEP_DEG) + 1 }, (_, i) => FROM_DEG + i * STEP_DEG)

const fails = (thresholdDeg: number, deg: number): number => 1 / (1 + Math.exp((deg - thresholdDeg) / STEEP_DEG))

/**
 * What uses of a blade say of the angle below which its edge fails. `usual`: the starting range for its use, degrees
 * per side; null: any angle is as likely as another. Source: Bayes' rule on a grid; docs/use.md, "Where an edge fails".
 */
export function threshold(
  usual: readonly [leastDeg: number, mostDeg: number] | null,
  uses: readonly AngleUsed[],
): Threshold {
  const priorDeg = usual && (usual[0] + usual[1]) / 2 - UNDER_MIDDLE_DEG
  const logs = GRID.map((at) => {
    const before = priorDeg === null ? 0 : -(((at - priorDeg) / DEVIATION_DEG) ** 2) / 2
    return uses.reduce((sum, { deg, failed }) => {
      const failing = fails(at, deg)
      return sum + Math.log(Math.max(1e-12, failed ? failing : 1 - failing))
    }, before)
  })
  const top = Math.max(...logs)
  const weights = logs.map((one) => Math.exp(one - top))
  const total = weights.reduce((sum, one) => sum + one, 0)
  const quantile = (of: number): number => {
    let sum = 0
    return GRID[weights.findIndex((one) => (sum += one) >= of * total)]!
  }
  return {
    leastDeg: quantile(0.05),
    middleDeg: quantile(0.5),
    mostDeg: quantile(0.95),
    failsAt: (deg: number) => weights.reduce((sum, one, i) => sum + one * fails(GRID[i]!, deg), 0) / total,
  }
}
