import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { CholeskyDecomposition, inverse, Matrix } from 'ml-matrix'
import type { UnknownId } from '../../records/rig/unknowns'
import { nth } from '../../math/list'
import type { Side } from '../../records/common/side'
import type { EdgePoint } from '../../math/curve/edgePoints'
import { edgeAngleShifter, type Shifts } from '../../uncertainty/shifted'
import type { Setup } from '../../geometry/setup/setup'
import { Z95 } from '../../math/statistics/normal'

/** An angle that was proved on the steel, and all that the bevel was cut with. */
export interface ProvedAngle {
  readonly setup: Setup
  readonly side: Side
  readonly pivotHeightMm: number
  /** Where along the edge it was proved. */
  readonly edgePoint: EdgePoint
  /** Which stone, as the unknowns name it. */
  readonly stoneId: string
  readonly deg: number
  /** Half-width of the range that holds 95 in 100 such proofs, degrees. */
  readonly uncertaintyDeg: number
}

/** A measure that may be off by more or less the same in every proof: of the rig, or of one stone. */
export interface Unknown {
  readonly id: UnknownId
  /** The stone whose face it is; null for what is the rig's. */
  readonly stoneId: string | null
  /** Half-width of the range that holds 95 in 100 such errors before anything was proved, mm or degrees. */
  readonly tolerance: number
}

export interface FittedUnknown extends Unknown {
  /** What is to be added to the measure as it is written down, mm or degrees. */
  readonly error: number
  /** Half-width of the range that holds 95 in 100 such errors now. */
  readonly uncertainty: number
}

export interface FittedProof {
  /** The set angle as the measures stood and as they are fitted, degrees; null where there is no angle. */
  readonly beforeDeg: number | null
  readonly afterDeg: number | null
  /** How much it counts, 1 in full; less where it is so far off that it is held for wild. */
  readonly weight: number
}

export interface RigFit {
  readonly unknowns: readonly FittedUnknown[]
  readonly proofs: readonly FittedProof[]
  /** Between the unknowns, −1 to 1. */
  readonly correlation: readonly (readonly number[])[]
}

/**
 * A proof further off than the first of these, in its standard deviations, counts less; from the second on less and
 * less; from the third on nothing: Hampel’s three parts. The first rounds are as Huber has it, without an end.
 */
const OUTLIER = { from: 2.5, less: 4, out: 8 }
const ROUNDS = 16
const ROUNDS_WITHOUT_END = 4
/** In each round: the next goes on from where it ended. */
const ITERATIONS = 8
/** Of a tolerance, for central differences. */
const STEP = 0.01

/**
 * The errors of a rig's measures that explain the angles proved on it: weighted least squares with the tolerances as
 * priors and Hampel’s loss against a wild proof, their uncertainties from the Jacobian. With nothing proved the
 * tolerances come back. Source: docs/calibration.md, "The fit".
 */
export function fitRig(
  proofs: readonly ProvedAngle[],
  unknowns: readonly Unknown[],
  priorCorrelation?: FitAsk['priorCorrelation'],
): RigFit {
  const fitting = fittingRig({ proofs, unknowns, priorCorrelation })
  for (;;) {
    const step = fitting.next()
    if (step.done) return step.value
  }
}

export interface FitAsk {
  readonly proofs: readonly ProvedAngle[]
  readonly unknowns: readonly Unknown[]
  /** Correlations of the unknowns before, −1 to 1; none where it is left out. */
  readonly priorCorrelation?: readonly (readonly number[])[]
}

/** The same in steps, each telling how far it is, 0 to 1. */
export function* fittingRig({ proofs, unknowns, priorCorrelation }: FitAsk): Generator<number, RigFit, void> {
  const angleOf = proofs.map(({ setup, side, pivotHeightMm, edgePoint, stoneId }) => {
    const shifted = edgeAngleShifter(setup, side, pivotHeightMm, edgePoint)
    const mine = unknowns.map((one) => one.stoneId === null || one.stoneId === stoneId)
    return (errors: readonly number[]): number | null =>
      shifted(
        unknowns.reduce<Shifts>(
          (all, { id }, k) => (mine[k] ? { ...all, [id]: (all[id] ?? 0) + nth(errors, k) } : all),
          {},
        ),
      )
  })
  const sigmas = proofs.map(({ uncertaintyDeg }) => uncertaintyDeg / Z95)
  const priors = unknowns.map(({ tolerance }) => tolerance / Z95)
  /** Makes independent standard deviations of what hung together before. */
  const apart = priorCorrelation
    ? inverse(new CholeskyDecomposition(new Matrix(priorCorrelation.map((row) => [...row]))).lowerTriangularMatrix)
    : Matrix.eye(unknowns.length)
  /** How far a proof is off in its standard deviations; the same for each unknown and its prior after them. */
  const offAt = (errors: readonly number[], row: number): number =>
    row < proofs.length
      ? ((nth(angleOf, row)(errors) ?? 0) - nth(proofs, row).deg) / nth(sigmas, row)
      : errors.reduce((sum, error, k) => sum + (apart.get(row - proofs.length, k) * error) / nth(priors, k), 0)
  const rows = Array.from({ length: proofs.length + unknowns.length }, (_, row) => row)

  let errors = unknowns.map(() => 0)
  let weights = proofs.map(() => 1)
  const weighed = (tried: readonly number[], row: number): number => offAt(tried, row) * Math.sqrt(weights[row] ?? 1)
  for (let round = 0; round < ROUNDS; round++) {
    yield round / ROUNDS
    const from = errors
    errors = levenbergMarquardt({ x: rows, y: rows.map(() => 0) }, (tried) => (row) => weighed(tried, row), {
      initialValues: from,
      gradientDifference: priors.map((sigma) => STEP * sigma),
      centralDifference: true,
      damping: 1e-4,
      maxIterations: ITERATIONS,
      errorTolerance: 0,
    }).parameterValues
    const outlierWeight = proofs.map((_, row) => Math.abs(offAt(errors, row)))
    weights = outlierWeight.map((off) => weightOf(off, round < ROUNDS_WITHOUT_END))
    const settled = errors.every((error, k) => Math.abs(error - nth(from, k)) < 1e-4 * nth(priors, k))
    if (settled && round > ROUNDS_WITHOUT_END) break
  }

  const slopes = rows.map((row) =>
    unknowns.map((_, k) => {
      const at = (by: number) => weighed(errors.with(k, nth(errors, k) + by), row)
      const step = STEP * nth(priors, k)
      return (at(step) - at(-step)) / (2 * step)
    }),
  )
  const jacobian = new Matrix(slopes)
  const covariance = unknowns.length === 0 ? new Matrix(0, 0) : inverse(jacobian.transpose().mmul(jacobian))
  const sigma = unknowns.map((_, k) => Math.sqrt(covariance.get(k, k)))
  /** The same from either side to the last digit. */
  const between = (k: number, j: number): number =>
    k === j
      ? 1
      : Math.max(-1, Math.min(1, covariance.get(Math.min(k, j), Math.max(k, j)) / (nth(sigma, k) * nth(sigma, j))))
  const none = unknowns.map(() => 0)
  return {
    unknowns: unknowns.map((one, k) => ({ ...one, error: nth(errors, k), uncertainty: Z95 * nth(sigma, k) })),
    proofs: proofs.map((_, i) => ({
      beforeDeg: nth(angleOf, i)(none),
      afterDeg: nth(angleOf, i)(errors),
      weight: nth(weights, i),
    })),
    correlation: sigma.map((_, k) => sigma.map((_one, j) => between(k, j))),
  }
}

function weightOf(off: number, withoutEnd: boolean): number {
  if (off <= OUTLIER.from) return 1
  if (withoutEnd || off <= OUTLIER.less) return OUTLIER.from / off
  return off >= OUTLIER.out ? 0 : ((OUTLIER.from / off) * (OUTLIER.out - off)) / (OUTLIER.out - OUTLIER.less)
}

/** Two unknowns that the proofs cannot tell apart, by their numbers. */
export interface Tied {
  readonly one: number
  readonly other: number
  readonly correlation: number
}
/** Beyond this two unknowns are not told apart. */
const TIED_FROM = 0.95

/** Pairs that the proofs tell only together, the closest first. Source: docs/calibration.md, "What hangs together". */
export function tiedPairs({ correlation }: Pick<RigFit, 'correlation'>): Tied[] {
  return correlation
    .flatMap((row, one) => row.slice(0, one).map((value, other) => ({ one, other, correlation: value })))
    .filter(({ correlation: value }) => Math.abs(value) > TIED_FROM)
    .sort((a, b) => Math.abs(b.correlation) - Math.abs(a.correlation))
}
