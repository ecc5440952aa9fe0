import { radians } from '../../math/units/angle'
import { middleOf } from '../../math/statistics/robust'
import type { FaceGrid } from './faceGrid'

/** Scratches are followed over so many cells to either side. */
const FOLLOWED = 16
/** Of the strength along one direction, so much of that along another one shows in it, squared. */
const LEAKS = 0.15
/** Columns that are looked at together, and steps from shoulder to edge. */
export const TOGETHER = 30
const STEPS = 40
/** Rows that show what the stone does where it works: between these steps from the shoulder. */
const [WORKS_FROM, WORKS_TO] = [3, 14]
/** Where the new scratches are weaker than this against where the stone works, it has not been. */
const WEAKER_THAN = 0.75
/** A band that is less plain than this, in steps, is none. */
const LEAST_PLAIN = 0.8

/**
 * How much of a face's width at the edge the new stone has not reached yet, from 0 to 1, for every TOGETHER columns of
 * a grid: where no scratches of its direction are. Source: docs/scratches.md.
 */
export function unreachedAlong(grid: FaceGrid, newDeg: number, oldDeg: number): number[] {
  const [of, other] = [followed(grid, newDeg), followed(grid, oldDeg)]
  const windows = Math.ceil(grid.columns / TOGETHER)
  const [sums, counts] = [new Float64Array(windows * STEPS), new Float64Array(windows * STEPS)]
  for (let row = 0; row < grid.rows; row++)
    for (let column = 0; column < grid.columns; column++) {
      const cell = row * grid.columns + column
      if (grid.face[cell] === 0) continue
      const bin = Math.floor(column / TOGETHER) * STEPS + Math.min(STEPS - 1, Math.floor(grid.down[cell]! * STEPS))
      sums[bin]! += Math.max(0, of[cell]! ** 2 - LEAKS * other[cell]! ** 2)
      counts[bin]!++
    }
  const strengths = Array.from({ length: windows }, (_, w) =>
    Array.from({ length: STEPS }, (__, step) => {
      const bin = w * STEPS + step
      return counts[bin] ? Math.sqrt(sums[bin]! / counts[bin]!) : NaN
    }),
  )
  const seen = (row: readonly number[], from: number, to: number) => row.slice(from, to).filter((one) => one > 0)
  const usual = middleOf(strengths.flatMap((row) => seen(row, WORKS_FROM, STEPS / 2)))
  return strengths.map((row) => {
    const own = middleOf(seen(row, WORKS_FROM, WORKS_TO))
    return bandAtEdge(row, own > usual / 2 ? Math.min(own, usual) : usual) / STEPS
  })
}

/** How many steps from the edge on are weaker than where the stone works: where the sum of what they lack is most. */
function bandAtEdge(strengths: readonly number[], works: number): number {
  let [sum, most, steps] = [0, LEAST_PLAIN, 0]
  for (let back = 1; back <= strengths.length; back++) {
    const one = strengths[strengths.length - back]!
    if (!Number.isNaN(one)) sum += WEAKER_THAN - one / works
    if (sum <= most) continue
    most = sum
    steps = back
  }
  return steps
}

/** The mean contrast along a direction around each cell. */
function followed({ columns, rows, contrast, face }: FaceGrid, deg: number): Float32Array {
  const [byColumn, byRow] = [Math.sin(radians(deg)), -Math.cos(radians(deg))]
  const out = new Float32Array(contrast.length)
  const weights = new Float32Array(contrast.length)
  for (let k = -FOLLOWED; k <= FOLLOWED; k++) {
    const [dx, dy] = [Math.floor(k * byColumn), Math.floor(k * byRow)]
    const [fx, fy] = [k * byColumn - dx, k * byRow - dy]
    const parts = [
      { x: dx, y: dy, weight: (1 - fx) * (1 - fy) },
      { x: dx + 1, y: dy, weight: fx * (1 - fy) },
      { x: dx, y: dy + 1, weight: (1 - fx) * fy },
      { x: dx + 1, y: dy + 1, weight: fx * fy },
    ].filter(({ weight }) => weight > 1e-6)
    for (const { x, y, weight } of parts)
      for (let row = Math.max(0, -y); row < Math.min(rows, rows - y); row++)
        for (let column = Math.max(0, -x); column < Math.min(columns, columns - x); column++) {
          const there = (row + y) * columns + column + x
          if (face[there] === 0) continue
          out[row * columns + column]! += weight * contrast[there]!
          weights[row * columns + column]! += weight
        }
  }
  return out.map((one, cell) => one / Math.max(1, weights[cell]!))
}
