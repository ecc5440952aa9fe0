import { radians } from '../../math/units/angle'
import { middleOf } from '../../math/statistics/robust'
import type { FaceGrid } from './faceGrid'

/** What a face shows along lines of one direction, line by line across them. */
export interface Profile {
  readonly deg: number
  /** Where each line crosses the middle row, columns; half a column apart. */
  readonly column: Float32Array
  /** Mean contrast along the line, less what changes slowly; 0 where the line is too short. */
  readonly contrast: Float32Array
  /** Whether the line is long enough to count. */
  readonly counts: Uint8Array
  /** Standard deviation of what counts. */
  readonly deviation: number
}

export const PER_COLUMN = 2
/** A line that is shorter than this, against the usual one, does not count. */
const LONG_ENOUGH = 0.5
/** What changes over more lines than this to either side is light, not a scratch. */
const SLOW_LINES = 24

/**
 * The mean contrast along lines that lean so many degrees from the grid's columns, positive to the right going up.
 * `kept`: the cells that count.
 */
function profileAt({ columns, rows, contrast }: FaceGrid, kept: Uint8Array, deg: number): Profile {
  const perRow = Math.tan(radians(deg))
  const middle = rows / 2
  const reach = Math.ceil(Math.abs(perRow) * middle) + 1
  const lines = (columns + 2 * reach) * PER_COLUMN
  const [sums, counted] = [new Float32Array(lines), new Float32Array(lines)]
  for (let row = 0; row < rows; row++) {
    const shift = (row - middle) * perRow + reach
    for (let column = 0; column < columns; column++) {
      const cell = row * columns + column
      if (kept[cell] === 0) continue
      // Shared by the two lines it lies between: at 45° whole cells would leave every other line out.
      const at = (column + shift) * PER_COLUMN
      const line = Math.floor(at)
      const beyond = at - line
      sums[line]! += (1 - beyond) * contrast[cell]!
      counted[line]! += 1 - beyond
      sums[line + 1]! += beyond * contrast[cell]!
      counted[line + 1]! += beyond
    }
  }
  const usual = middleOf(Array.from(counted.filter((one) => one > 0)))
  const counts = Uint8Array.from(counted, (one) => (one > LONG_ENOUGH * usual ? 1 : 0))
  const means = sums.map((sum, line) => (counts[line] ? sum / counted[line]! : 0))
  const flat = withoutSlow(means, counts)
  let [squares, n] = [0, 0]
  flat.forEach((one, line) => {
    if (!counts[line]) return
    squares += one * one
    n++
  })
  return {
    deg,
    column: Float32Array.from({ length: lines }, (_, line) => line / PER_COLUMN - reach),
    contrast: flat,
    counts,
    deviation: n === 0 ? 0 : Math.sqrt(squares / n),
  }
}

function withoutSlow(means: Float32Array, counts: Uint8Array): Float32Array {
  const slow = meanAround(meanAround({ sum: means, weight: Float32Array.from(counts) }))
  return means.map((one, line) => (counts[line] ? one - slow.sum[line]! / Math.max(1e-9, slow.weight[line]!) : 0))
}

interface Weighted {
  readonly sum: Float32Array
  readonly weight: Float32Array
}
/** Sums over SLOW_LINES to either side. */
function meanAround({ sum, weight }: Weighted): Weighted {
  const around = (of: Float32Array): Float32Array => {
    const upTo = new Float64Array(of.length + 1)
    for (let i = 0; i < of.length; i++) upTo[i + 1] = upTo[i]! + of[i]!
    return of.map((_, i) => upTo[Math.min(of.length, i + SLOW_LINES + 1)]! - upTo[Math.max(0, i - SLOW_LINES)]!)
  }
  return { sum: around(sum), weight: around(weight) }
}

/** The geometry tells a direction to this, and so far around it the scratches are looked for, degrees. */
const TOLD_TO_DEG = 4
const LOOKED_FOR_DEG = 7
const STEP_DEG = 1
/** The best of these is looked for more finely, so far around it. */
const [FINE_DEG, FINE_REACH_DEG] = [0.2, 1]

/** The direction near the one told along which a face shows most, with its profile. */
export function profileNear(grid: FaceGrid, kept: Uint8Array, aboutDeg: number): Profile {
  const likely = ({ deg, deviation }: Profile) => deviation * Math.exp(-(((deg - aboutDeg) / TOLD_TO_DEG) ** 2) / 4)
  const near = profilesAround(grid, kept, aboutDeg, LOOKED_FOR_DEG, STEP_DEG)
  return profileAround(grid, kept, near.reduce((most, one) => (likely(one) > likely(most) ? one : most)).deg)
}

/** The same, where the direction is known nearly. */
export const profileAround = (grid: FaceGrid, kept: Uint8Array, deg: number): Profile =>
  profilesAround(grid, kept, deg, FINE_REACH_DEG, FINE_DEG).reduce((most, one) =>
    one.deviation > most.deviation ? one : most,
  )

const profilesAround = (grid: FaceGrid, kept: Uint8Array, deg: number, reach: number, step: number): Profile[] =>
  Array.from({ length: 2 * Math.round(reach / step) + 1 }, (_, i) => profileAt(grid, kept, deg - reach + i * step))

/** So far beside a direction no scratch of it is left: what is seen there is noise, degrees. */
const BESIDE_DEG = [-20, -14, 14, 20]
const APART_DEG = 9

/** The standard deviation of a profile in which no scratch lies, beside one direction and away from another. */
export function noiseBeside(grid: FaceGrid, kept: Uint8Array, deg: number, otherDeg: number): number {
  const beside = BESIDE_DEG.map((by) => deg + by).filter((one) => Math.abs(one - otherDeg) > APART_DEG)
  return middleOf(beside.map((one) => profileAt(grid, kept, one).deviation))
}
