import { keysOf } from '../../schema/keys'
import { lastOf, nth } from '../../math/list'
import { radians } from '../../math/units/angle'
import type { Expected } from './expected'
import type { FaceKind } from './face'
import { DEPTH_SIGMA, lookOdds, type InkLook } from './look'
import { normalCdf } from '../../math/statistics/normal'

/** A face that was looked at: one side of the blade in one zone. */
export interface LookedAt {
  /** From shoulder to apex, mm, as measured or worked out. */
  readonly widthMm: number
  /** Half-angle of the primary face: no bevel is flatter, degrees. */
  readonly primaryDeg: number
  readonly looks: readonly InkLook[]
  /** What was expected of it before; absent: nothing. */
  readonly expected?: Expected
}

/** The range of the contact depth, micrometres. */
export type DepthRange = readonly [least: number, most: number]

const STEP_DEG = 0.025
const CURVED_STEP_DEG = 0.2
/** How far beyond the set angles a face is looked for, degrees; and where the ink says that it lies within them. */
const BEYOND_DEG = { open: 10, closed: 4.5 }
const STEEPEST_DEG = 50
/** Depths that are told apart: within the range of a light pass, and of a heavier hand. */
const LIGHT_DEPTHS = 8
const HEAVY_DEPTHS = 5
const DEPTHS = LIGHT_DEPTHS + HEAVY_DEPTHS
/** Each further step beyond the range is less likely before anyone looked by this factor. */
const HEAVIER = Math.exp(-0.5)
/** Depths of single looks lie beyond those of the hand: so many more to each side. */
const MORE_DEPTHS = 5
/** Of an uneven hand the depth varies more from look to look: how likely that is, and by how much (its logarithm). */
const UNEVEN = { share: 0.1, sigma: 0.7 }
/** How much a face may bend from shoulder to apex, degrees, and how likely each kind is before anyone looked. */
const GROWTHS = [1.5, 2.5, 3.5, 4.5, 6, 8]
export const BEFORE: Record<FaceKind, number> = { flat: 0.8, convex: 0.15, hollow: 0.05 }

/** Odds over angles: one row for each contact depth. */
export interface Grid {
  readonly fromDeg: number
  readonly stepDeg: number
  readonly growsDeg: number
  readonly rows: readonly Float64Array[]
  /** The same of each look by itself: the rows are their product. */
  readonly ofLooks: readonly (readonly Float64Array[])[]
}

export type Grids = Readonly<Record<FaceKind, readonly Grid[]>>

function gridsOf(face: LookedAt, lookDepths: readonly number[], spread: readonly number[]): Grids {
  const [fromDeg, toDeg] = whereToLook(face)
  const grid = (growsDeg: number, stepDeg: number): Grid => {
    const cells = Math.max(1, Math.round((toDeg - fromDeg) / stepDeg) + 1)
    const cell = { fromDeg, stepDeg, growsDeg, widthMm: face.widthMm, cells }
    const ofLooks = face.looks.map((look) => oddsOfLook(look, cell, lookDepths, spread))
    const rows = Array.from({ length: DEPTHS }, (_, depth) => {
      const row = new Float64Array(cells).fill(1)
      for (const look of ofLooks) {
        const odds = nth(look, depth)
        for (let i = 0; i < cells; i++) row[i]! *= odds[i]!
      }
      return row
    })
    return { fromDeg, stepDeg, growsDeg, rows, ofLooks }
  }
  const curved = (sign: number) => GROWTHS.map((growsDeg) => grid(sign * growsDeg, CURVED_STEP_DEG))
  return { flat: [grid(0, STEP_DEG)], convex: curved(1), hollow: curved(-1) }
}

function whereToLook({ looks, primaryDeg }: LookedAt): [fromDeg: number, toDeg: number] {
  const by = [...looks].sort((a, b) => a.setDeg - b.setDeg)
  const [first, last] = [nth(by, 0), lastOf(by)]
  const below = first.seen === 'shoulder' || first.seen === 'above' ? BEYOND_DEG.closed : BEYOND_DEG.open
  const beyond = last.seen === 'apex' ? BEYOND_DEG.closed : BEYOND_DEG.open
  return [Math.max(primaryDeg, first.setDeg - below), Math.min(STEEPEST_DEG, last.setDeg + beyond)]
}

/** Rows of odds over the angle at the middle, one for each depth, of one look, whose own depth spreads around that. */
function oddsOfLook(
  look: InkLook,
  {
    fromDeg,
    stepDeg,
    growsDeg,
    widthMm,
    cells,
  }: Pick<Grid, 'fromDeg' | 'stepDeg' | 'growsDeg'> & { widthMm: number; cells: number },
  lookDepths: readonly number[],
  spread: readonly number[],
): Float64Array[] {
  const rows = Array.from({ length: DEPTHS }, () => new Float64Array(cells))
  const odds = lookOdds(look)
  const grows = radians(growsDeg)
  const at = new Float64Array(lookDepths.length)
  const inWidths = Float64Array.from(lookDepths, (depthUm) => depthUm / 1000 / widthMm)
  const weights = Float64Array.from(spread)
  for (let i = 0; i < cells; i++) {
    const over = radians(fromDeg + i * stepDeg - look.setDeg) - grows / 2
    let alike = true
    for (let d = 0; d < at.length; d++) {
      at[d] = odds(over, grows, inWidths[d]!)
      alike &&= at[d] === at[0]
    }
    for (let d = 0; d < rows.length; d++) {
      let sum = alike ? at[0]! : 0
      if (!alike) for (let k = 0; k < weights.length; k++) sum += weights[k]! * at[d + k]!
      rows[d]![i] = sum
    }
  }
  return rows
}

export function sumOf(row: Float64Array): number {
  let sum = 0
  for (let i = 0; i < row.length; i++) sum += row[i]!
  return sum
}
export const massOf = (grids: readonly Grid[], depth: number): number =>
  grids.reduce((sum, { rows, stepDeg }) => sum + sumOf(nth(rows, depth)) * stepDeg, 0) / grids.length

const evidenceOf = (of: Grids, depth: number, mass = massOf): number =>
  keysOf(BEFORE).reduce((sum, kind) => sum + BEFORE[kind] * mass(of[kind], depth), 0)

/** The odds over depths of a face with one of its looks left out (by its number), one more counted, or both. */
export function evidenceWith(
  face: LookedAt,
  range: DepthRange,
  change: { readonly without?: number; readonly more?: InkLook },
): number[] {
  const { ofLooks: lookDepths, spread } = depthsOf(range)
  const weighed = weighedFace(face, range)
  if (!weighed) return []
  const { without, more } = change
  const added = new Map<Grid, readonly Float64Array[]>()
  for (const grid of more ? keysOf(BEFORE).flatMap((kind) => weighed.grids[kind]) : []) {
    const cell = { ...grid, widthMm: face.widthMm, cells: nth(grid.rows, 0).length }
    added.set(grid, oddsOfLook(more!, cell, lookDepths, spread))
  }
  const mass = (of: readonly Grid[], depth: number): number => {
    let all = 0
    for (const grid of of) {
      const row = nth(grid.rows, depth)
      const left = without === undefined ? null : nth(nth(grid.ofLooks, without), depth)
      const extra = added.get(grid)?.[depth]
      let sum = 0
      for (let i = 0; i < row.length; i++) sum += (row[i]! / (left ? left[i]! : 1)) * (extra ? extra[i]! : 1)
      all += sum * grid.stepDeg
    }
    return all / of.length
  }
  return weighed.evidence.map((_, depth) => evidenceOf(weighed.grids, depth, mass))
}

export function normalized(odds: readonly number[]): number[] {
  const total = odds.reduce((sum, one) => sum + one, 0)
  return odds.map((one) => one / total)
}

/** A normal deviate in cells from −reach to reach; sigma in cells. */
export function bell(sigma: number, reach: number): number[] {
  const upTo = (cell: number) => normalCdf((cell - reach) / sigma)
  return normalized(Array.from({ length: 2 * reach + 1 }, (_, i) => upTo(i + 0.5) - upTo(i - 0.5)))
}

/** The contact depths that are told apart within a range, and how single looks spread around them. */
export function depthsOf([least, most]: DepthRange) {
  const step = Math.log(most / least) / LIGHT_DEPTHS
  const ofLooks = Array.from(
    { length: DEPTHS + 2 * MORE_DEPTHS },
    (_, i) => least * Math.exp(step * (i + 0.5 - MORE_DEPTHS)),
  )
  const [even, uneven] = [bell(DEPTH_SIGMA / step, MORE_DEPTHS), bell(UNEVEN.sigma / step, MORE_DEPTHS)]
  const spread = even.map((one, i) => (1 - UNEVEN.share) * one + UNEVEN.share * nth(uneven, i))
  return { depths: ofLooks.slice(MORE_DEPTHS, -MORE_DEPTHS), ofLooks, spread }
}

/** A face weighed: the odds of its looks over angles and depths, and over depths alone. */
export interface WeighedFace {
  readonly grids: Grids
  readonly evidence: readonly number[]
}

/** Several questions are asked of the same looks: each face is weighed once. */
const weighedBefore = new WeakMap<LookedAt, { range: DepthRange; weighed: WeighedFace }>()

/** Weighs the looks at one face; null where nobody looked. */
export function weighedFace(face: LookedAt, range: DepthRange): WeighedFace | null {
  if (face.looks.length === 0) return null
  const before = weighedBefore.get(face)
  if (before && before.range[0] === range[0] && before.range[1] === range[1]) return before.weighed
  const weighed = weigh(face, range)
  weighedBefore.set(face, { range, weighed })
  return weighed
}

function weigh(face: LookedAt, range: DepthRange): WeighedFace {
  const { ofLooks, spread } = depthsOf(range)
  const grids = gridsOf(face, ofLooks, spread)
  return withEvidence(face.expected ? weightedBy(grids, face.expected) : grids)
}
const withEvidence = (grids: Grids): WeighedFace => ({
  grids,
  evidence: Array.from({ length: DEPTHS }, (_, i) => evidenceOf(grids, i)),
})

/** A face of which something is expected; its looks are not weighed anew. */
export function expecting(face: LookedAt, expected: Expected, range: DepthRange): LookedAt {
  const as = { ...face, expected }
  const looks = weighedFace(face, range)
  if (looks) weighedBefore.set(as, { range, weighed: withEvidence(weightedBy(looks.grids, expected)) })
  return as
}

/** Odds over angles, times what is expected of the angle at the middle of the face. */
function weightedBy(grids: Grids, expected: Expected): Grids {
  const weigh = (grid: Grid): Grid => ({
    ...grid,
    rows: grid.rows.map((row) => row.map((one, i) => one * expectedOdds(expected, grid.fromDeg + i * grid.stepDeg))),
  })
  return { flat: grids.flat.map(weigh), convex: grids.convex.map(weigh), hollow: grids.hollow.map(weigh) }
}
/** How likely an angle is, before anyone looked; at the expected one 1. */
export const expectedOdds = ({ deg, sigmaDeg }: Expected, at: number): number =>
  Math.exp(-0.5 * ((at - deg) / sigmaDeg) ** 2)

/** How likely each depth is before anyone looked: alike within the range, and less the further beyond it. */
const DEPTHS_BEFORE = normalized(Array.from({ length: DEPTHS }, (_, i) => HEAVIER ** Math.max(0, i + 1 - LIGHT_DEPTHS)))

/** The odds of the contact depths that the faces share. */
export function depthOdds(faces: readonly (Pick<WeighedFace, 'evidence'> | null)[]): {
  odds: number[]
  logEvidence: number
} {
  const logs = Array.from({ length: DEPTHS }, (_, i) =>
    faces.reduce((sum, face) => sum + (face ? Math.log(nth(face.evidence, i)) : 0), Math.log(nth(DEPTHS_BEFORE, i))),
  )
  const most = Math.max(...logs)
  const odds = logs.map((log) => Math.exp(log - most))
  return { odds: normalized(odds), logEvidence: most + Math.log(odds.reduce((sum, one) => sum + one, 0)) }
}
