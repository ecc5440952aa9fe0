import { LuDecomposition, Matrix } from 'ml-matrix'
import { nth } from '../../math/list'

/**
 * What a proof may be worth before anything is compared: of a hundred so many are wrong (misread, the wrong face, a
 * bevel not cut to its apex), and then by this standard deviation, degrees. Starting values.
 */
const WRONG = { of100: 5, sigmaDeg: 2 } as const
/** So many wrong ones at once are reckoned with: of up to six proofs all, of up to fourteen three, of more two. */
const mostWrong = (proofs: number): number => (proofs <= 6 ? proofs : proofs <= 14 ? 3 : 2)

/** Proofs as linear equations of the unknowns: what each found of them, degrees. */
export interface LinearProofs {
  /** For each proof: its slopes by the unknowns. */
  readonly slopes: readonly (readonly number[])[]
  /** For each proof: how much more it was proved than the measures without errors give. */
  readonly found: readonly number[]
  readonly sigmas: readonly number[]
  /** Inverse of the covariance that the unknowns have before. */
  readonly priorPrecision: Matrix
}

export interface Weighed {
  /** For each proof: how likely it is right, 0 to 1. */
  readonly right: readonly number[]
  /** And how much it counts: in full, unless it is more likely wrong. */
  readonly weights: readonly number[]
  /** Of the unknowns, over all ways in which some proofs may be wrong. */
  readonly mean: readonly number[]
  readonly covariance: Matrix
}

/**
 * Judges proofs by what the unknowns' tolerances and the other proofs let expect of each: a mixture over which of them
 * are wrong, each way with its posterior of the unknowns. So a lone proof that the tolerances do not explain is held
 * for wrong rather than followed. Source: docs/calibration.md, "The fit".
 */
export function weighProofs(proofs: LinearProofs): Weighed {
  const all = proofs.slopes.map((_, i) => i)
  const { right } = mixture(proofs, waysToBeWrong(all, mostWrong(all.length)))
  // What is more likely right than wrong counts in full, as if nothing else were possible.
  const suspects = all.filter((i) => nth(right, i) < SUSPECT_BELOW)
  const counted = mixture(proofs, waysToBeWrong(suspects, suspects.length))
  return { ...counted, right, weights: counted.right }
}
/** A proof that is less likely right than this is not followed. */
const SUSPECT_BELOW = 0.5

/** Over some ways in which proofs may be wrong. */
function mixture(
  { slopes, found, sigmas, priorPrecision }: LinearProofs,
  possible: readonly number[][],
): Omit<Weighed, 'weights'> {
  const [n, d] = [slopes.length, priorPrecision.rows]
  const isWrong = WRONG.of100 / 100
  const rows = slopes.map((row) => Matrix.columnVector([...row]))
  const ways = possible.map((wrong) => {
    const precision = priorPrecision.clone()
    const pull = Matrix.zeros(d, 1)
    let log = wrong.length * Math.log(isWrong) + (n - wrong.length) * Math.log(1 - isWrong)
    for (let i = 0; i < n; i++) {
      const variance = nth(sigmas, i) ** 2 + (wrong.includes(i) ? WRONG.sigmaDeg ** 2 : 0)
      const row = nth(rows, i)
      precision.add(row.mmul(row.transpose()).div(variance))
      pull.add(Matrix.mul(row, nth(found, i) / variance))
      log -= (Math.log(variance) + nth(found, i) ** 2 / variance) / 2
    }
    const solved = new LuDecomposition(precision)
    const covariance = solved.solve(Matrix.eye(d))
    const mean = covariance.mmul(pull)
    log += (pull.transpose().mmul(mean).get(0, 0) - Math.log(solved.determinant)) / 2
    return { wrong, mean, covariance, log }
  })
  const most = Math.max(...ways.map(({ log }) => log))
  const odds = ways.map(({ log }) => Math.exp(log - most))
  const all = odds.reduce((sum, one) => sum + one, 0)
  const share = (k: number) => nth(odds, k) / all
  const mean = Matrix.zeros(d, 1)
  ways.forEach((way, k) => mean.add(Matrix.mul(way.mean, share(k))))
  const covariance = Matrix.zeros(d, d)
  ways.forEach((way, k) => {
    const off = Matrix.sub(way.mean, mean)
    covariance.add(Matrix.mul(way.covariance, share(k))).add(off.mmul(off.transpose()).mul(share(k)))
  })
  const right = Array.from({ length: n }, (_, i) =>
    ways.reduce((sum, { wrong }, k) => sum + (wrong.includes(i) ? 0 : share(k)), 0),
  )
  return { right, mean: mean.to1DArray(), covariance }
}

/** All sets of up to `most` of some proofs. */
const waysToBeWrong = (of: readonly number[], most: number): number[][] =>
  of.reduce<number[][]>(
    (ways, i) => [...ways, ...ways.filter((way) => way.length < most).map((way) => [...way, i])],
    [[]],
  )

/** With so few proofs none is applied that is less likely right: nothing else would show that it is wrong. */
const LEAST_RIGHT = [
  { upTo: 2, right: 0.98 },
  { upTo: 4, right: 0.9 },
  { upTo: Infinity, right: SUSPECT_BELOW },
] as const

/**
 * Which proofs are to be repeated before they are applied, by their numbers. `right`: how likely each is right.
 * Source: docs/calibration.md, "The fit".
 */
export function toRepeat(right: readonly number[]): number[] {
  const least = LEAST_RIGHT.find(({ upTo }) => right.length <= upTo)!.right
  return right.flatMap((one, i) => (one < least ? [i] : []))
}
