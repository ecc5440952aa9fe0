import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { CholeskyDecomposition, inverse, Matrix } from 'ml-matrix'
import type { UnknownId } from '../../records/rig/unknowns'
import { nth } from '../../math/list'
import type { Side } from '../../records/common/side'
import type { EdgePoint } from '../../math/curve/edgePoints'
import { edgeAngleShifter, type Shifts } from '../../uncertainty/shifted'
import type { Setup } from '../../geometry/setup/setup'
import { toRepeat, weighProofs } from './outliers'
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
  /** How far the error would follow if one proof, the one that counts most for it, were wrong by a degree. */
  readonly perWrongDeg: number
}

export interface FittedProof {
  /** The set angle as the measures stood and as they are fitted, degrees; null where there is no angle. */
  readonly beforeDeg: number | null
  readonly afterDeg: number | null
  /** How likely it is right, 0 to 1, by the tolerances and the other proofs. */
  readonly right: number
  /** How much it counts: in full, unless it is more likely wrong. */
  readonly weight: number
}

export interface RigFit {
  readonly unknowns: readonly FittedUnknown[]
  readonly proofs: readonly FittedProof[]
  /** Between the unknowns, −1 to 1. */
  readonly correlation: readonly (readonly number[])[]
}

const ROUNDS = 12
/** In each round: the next goes on from where it ended. */
const ITERATIONS = 8
/** Of a tolerance, for central differences. */
const STEP = 0.01

/**
 * The errors of a rig's measures that explain the angles proved on it: weighted least squares with the tolerances as
 * priors, each proof by how likely it is right, and their uncertainties over all ways in which some may be wrong. With
 * nothing proved the tolerances come back. Source: docs/calibration.md, "The fit".
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

/** A fit of the proofs that can be applied, and which are to be repeated first, by their numbers. */
export interface Calibration extends RigFit {
  readonly repeat: readonly number[]
}

/** The fit that a rig is calibrated by: without the proofs that are to be repeated. Source: docs/calibration.md. */
export function* calibratingRig(ask: FitAsk): Generator<number, Calibration, void> {
  const all = yield* fittingRig(ask)
  const repeat = toRepeat(all.proofs.map(({ right }) => right))
  if (repeat.length === 0) return { ...all, repeat }
  const isApplied = (_: unknown, i: number) => !repeat.includes(i)
  const fit = yield* fittingRig({ ...ask, proofs: ask.proofs.filter(isApplied) })
  const errors = fit.unknowns.map(({ error }) => error)
  const proofs = all.proofs.map((proof, i): FittedProof => ({
    ...proof,
    afterDeg: angleWith(nth(ask.proofs, i), ask.unknowns)(errors),
    weight: repeat.includes(i) ? 0 : proof.weight,
  }))
  return { ...fit, proofs, repeat }
}

/** The set angle of a proof by the errors of the unknowns, degrees; null where there is none. */
function angleWith(
  { setup, side, pivotHeightMm, edgePoint, stoneId }: ProvedAngle,
  unknowns: readonly Unknown[],
): (errors: readonly number[]) => number | null {
  const shifted = edgeAngleShifter(setup, side, pivotHeightMm, edgePoint)
  const mine = unknowns.map((one) => one.stoneId === null || one.stoneId === stoneId)
  return (errors) =>
    shifted(
      unknowns.reduce<Shifts>(
        (all, { id }, k) => (mine[k] ? { ...all, [id]: (all[id] ?? 0) + nth(errors, k) } : all),
        {},
      ),
    )
}

/** fitRig in steps, each with the share that is done, 0 to 1. */
function* fittingRig({ proofs, unknowns, priorCorrelation }: FitAsk): Generator<number, RigFit, void> {
  const angleOf = proofs.map((proof) => angleWith(proof, unknowns))
  const sigmas = proofs.map(({ uncertaintyDeg }) => uncertaintyDeg / Z95)
  const priors = unknowns.map(({ tolerance }) => tolerance / Z95)
  /** Makes independent standard deviations of what was correlated before. */
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
  const priorPrecision = apart.transpose().mmul(apart)
  priors.forEach((sigma, k) => priorPrecision.mulRow(k, 1 / sigma).mulColumn(k, 1 / sigma))
  /** The proofs as they are weighed with their slopes at the errors so far. */
  const weigh = () => {
    const slopes = proofs.map((_, i) =>
      unknowns.map((_one, k) => {
        const step = STEP * nth(priors, k)
        const at = (by: number) => nth(angleOf, i)(errors.with(k, nth(errors, k) + by)) ?? 0
        return (at(step) - at(-step)) / (2 * step)
      }),
    )
    const found = proofs.map(({ deg }, i) => {
      const from = nth(slopes, i).reduce((sum, slope, k) => sum + slope * nth(errors, k), 0)
      return deg - (nth(angleOf, i)(errors) ?? 0) + from
    })
    return { ...weighProofs({ slopes, found, sigmas, priorPrecision }), slopes }
  }
  // Judged first by the tolerances alone: what is fitted to a wrong proof bends until it looks right.
  let weighed = weigh()
  const offWeighed = (tried: readonly number[], row: number): number =>
    offAt(tried, row) * Math.sqrt(weighed.weights[row] ?? 1)
  for (let round = 0; round < ROUNDS && proofs.length > 0; round++) {
    yield round / ROUNDS
    const from = errors
    errors = levenbergMarquardt({ x: rows, y: rows.map(() => 0) }, (tried) => (row) => offWeighed(tried, row), {
      initialValues: from,
      gradientDifference: priors.map((sigma) => STEP * sigma),
      centralDifference: true,
      damping: 1e-4,
      maxIterations: ITERATIONS,
      errorTolerance: 0,
    }).parameterValues
    weighed = weigh()
    if (errors.every((error, k) => Math.abs(error - nth(from, k)) < 1e-4 * nth(priors, k))) break
  }

  const { slopes, right, weights } = weighed
  // The errors stated are those of the proofs by their weights: how far that is off the mean of all ways counts too.
  const off = Matrix.columnVector(errors.map((error, k) => error - nth(weighed.mean, k)))
  const covariance = Matrix.add(weighed.covariance, off.mmul(off.transpose()))
  const perWrongDeg = (k: number): number =>
    Math.max(
      0,
      ...proofs.map((_, i) => {
        const pull = unknowns.reduce((sum, _one, j) => sum + weighed.covariance.get(k, j) * nth(nth(slopes, i), j), 0)
        return Math.abs(pull * nth(weights, i)) / nth(sigmas, i) ** 2
      }),
    )
  const sigma = unknowns.map((_, k) => Math.sqrt(covariance.get(k, k)))
  /** The same from either side to the last digit. */
  const between = (k: number, j: number): number =>
    k === j
      ? 1
      : Math.max(-1, Math.min(1, covariance.get(Math.min(k, j), Math.max(k, j)) / (nth(sigma, k) * nth(sigma, j))))
  const none = unknowns.map(() => 0)
  return {
    unknowns: unknowns.map((one, k) => ({
      ...one,
      error: nth(errors, k),
      uncertainty: Z95 * nth(sigma, k),
      perWrongDeg: perWrongDeg(k),
    })),
    proofs: proofs.map((_, i) => ({
      beforeDeg: nth(angleOf, i)(none),
      afterDeg: nth(angleOf, i)(errors),
      weight: nth(weights, i),
      right: nth(right, i),
    })),
    correlation: sigma.map((_, k) => sigma.map((_one, j) => between(k, j))),
  }
}

/** Two unknowns that the proofs cannot tell apart, by their numbers. */
export interface Tied {
  readonly one: number
  readonly other: number
  readonly correlation: number
}
/** A correction of more than this many tolerances is an alarm: something else is wrong. */
const FAR_BEYOND = 1.5
export const isBeyondTolerance = ({ error, tolerance }: FittedUnknown): boolean =>
  Math.abs(error) > FAR_BEYOND * tolerance

/** The unknown that one wrong proof would carry the furthest, in its tolerances; none where there are none. */
export const mostCarried = ({ unknowns }: Pick<RigFit, 'unknowns'>): FittedUnknown | undefined =>
  unknowns.toSorted((one, other) => other.perWrongDeg / other.tolerance - one.perWrongDeg / one.tolerance)[0]

/** Beyond this two unknowns are not told apart. */
const TIED_FROM = 0.95

/** Pairs that the proofs tell only together, the closest first. Source: docs/calibration.md, "What hangs together". */
export function tiedPairs({ correlation }: Pick<RigFit, 'correlation'>): Tied[] {
  return correlation
    .flatMap((row, one) => row.slice(0, one).map((value, other) => ({ one, other, correlation: value })))
    .filter(({ correlation: value }) => Math.abs(value) > TIED_FROM)
    .sort((a, b) => Math.abs(b.correlation) - Math.abs(a.correlation))
}
