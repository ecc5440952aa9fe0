import { randomLcg, randomNormal } from 'd3-random'
import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { lastOf } from '../math/list'
import type { Side } from '../records/common/side'
import type { EdgePoint } from '../math/curve/edgePoints'
import type { Setup } from '../geometry/setup/setup'
import type { KnownHold } from '../records/job/knownHold'
import { ANEW_EACH_SIDE, measuresOf, type UncertainMeasure, type MeasureId } from './measures'
import { edgeAngleShifter } from './shifted'

export interface MonteCarloAsk {
  readonly setup: Setup
  readonly known: KnownHold
  readonly edgePoint: EdgePoint
  readonly pivotHeightMm: Readonly<Record<Side, number>>
  readonly samples: number
  /** From 0 to 1: the same seed gives the same samples. */
  readonly seed: number
}

/** How an angle is spread, degrees. */
export interface AngleSpread {
  readonly meanDeg: number
  /** Half of the range from the 2.5th to the 97.5th percentile: comparable with the first-order uncertainty. */
  readonly halfWidthDeg: number
  readonly lowDeg: number
  readonly highDeg: number
  /** How many samples fell into each of equal bins of a round width. */
  readonly histogram: { readonly fromDeg: number; readonly stepDeg: number; readonly counts: readonly number[] }
}

export interface MonteCarloResult {
  /** Null where fewer than two samples had an angle. */
  readonly sides: Readonly<Record<Side, AngleSpread | null>>
  readonly included: AngleSpread | null
  readonly samples: number
  /** Samples in which the stone could not come down to the edge on one side at least. */
  readonly refused: number
}

const CHUNK = 4000
const MOST_BINS = 40
/** Widths of bins that a person can read off, degrees. */
const BIN_STEPS_DEG = [0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5]
/** The half-width of 95 in 100 of a normal distribution, in standard deviations. */
const DEVIATIONS_IN_95 = 1.959964

/**
 * Draws every measure from its tolerance (normal, half-width at 95 in 100) and computes the exact angle each time.
 * Yields how many samples are done, so that the caller can show progress and stop. Source:
 * docs/geometry.md, "Uncertainty".
 */
export function* monteCarlo({
  setup,
  known,
  edgePoint,
  pivotHeightMm,
  samples,
  seed,
}: MonteCarloAsk): Generator<number, MonteCarloResult, void> {
  const normal = randomNormal.source(randomLcg(seed))(0, 1 / DEVIATIONS_IN_95)
  const measures = measuresOf(setup, known, edgePoint)
  const drawn = drawer(measures, normal)
  const anew = measures.filter(({ id }) => ANEW_EACH_SIDE.has(id))
  const angles: Record<Side, Float64Array> = { A: new Float64Array(samples), B: new Float64Array(samples) }
  const included = new Float64Array(samples)
  const angleA = edgeAngleShifter(setup, 'A', pivotHeightMm.A, edgePoint)
  const angleB = edgeAngleShifter(setup, 'B', pivotHeightMm.B, edgePoint)
  const shifts: { [id in MeasureId]?: number } = {}
  let counted = 0
  for (let i = 0; i < samples; i++) {
    drawn(shifts)
    const a = angleA(shifts)
    for (const { id, tolerance } of anew) shifts[id] = normal() * tolerance
    const b = angleB(shifts)
    if (a !== null && b !== null) {
      angles.A[counted] = a
      angles.B[counted] = b
      included[counted++] = setup.blade.bevels === 'A' ? a : a + b
    }
    if ((i + 1) % CHUNK === 0) yield i + 1
  }
  return {
    sides: { A: spreadOf(angles.A.subarray(0, counted)), B: spreadOf(angles.B.subarray(0, counted)) },
    included: spreadOf(included.subarray(0, counted)),
    samples,
    refused: samples - counted,
  }
}

/** Draws every measure once, those that hang together so. */
function drawer(measures: readonly UncertainMeasure[], normal: () => number) {
  const tied = measures.filter(({ tiedTo }) => tiedTo)
  const free = measures.filter(({ tiedTo }) => !tiedTo)
  const correlation = tied.map(({ id }) => tied.map((other) => (other.id === id ? 1 : (other.tiedTo![id] ?? 0))))
  const lower = tied.length > 0 ? new CholeskyDecomposition(new Matrix(correlation)).lowerTriangularMatrix : null
  return (shifts: { [id in MeasureId]?: number }): void => {
    for (const { id, tolerance } of free) shifts[id] = normal() * tolerance
    if (!lower) return
    const drawn = tied.map(normal)
    tied.forEach(({ id, tolerance }, row) => {
      shifts[id] = tolerance * drawn.reduce((sum, one, k) => (k <= row ? sum + lower.get(row, k) * one : sum), 0)
    })
  }
}

function spreadOf(angles: Float64Array): AngleSpread | null {
  if (angles.length < 2) return null
  const sorted = angles.slice().sort()
  const percentile = (share: number) => {
    const at = share * (sorted.length - 1)
    const below = Math.floor(at)
    return sorted[below]! + (at - below) * ((sorted[below + 1] ?? sorted[below]!) - sorted[below]!)
  }
  const [lowDeg, highDeg] = [percentile(0.025), percentile(0.975)]
  const [least, most] = [sorted[0]!, sorted[sorted.length - 1]!]
  const stepDeg = BIN_STEPS_DEG.find((step) => most - least < step * (MOST_BINS - 1)) ?? lastOf(BIN_STEPS_DEG)
  const fromDeg = Math.floor(least / stepDeg) * stepDeg
  const counts = new Array<number>(Math.floor((most - fromDeg) / stepDeg) + 1).fill(0)
  for (const angle of sorted) counts[Math.floor((angle - fromDeg) / stepDeg)]!++
  const meanDeg = sorted.reduce((sum, angle) => sum + angle, 0) / sorted.length
  return { meanDeg, halfWidthDeg: (highDeg - lowDeg) / 2, lowDeg, highDeg, histogram: { fromDeg, stepDeg, counts } }
}
