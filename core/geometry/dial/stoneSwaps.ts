import { nth } from '../../math/list'
import { contactAt } from '../contact/contact'
import type { Refusal } from '../../schema/refusal'
import type { Side } from '../../records/common/side'
import type { EdgePoint } from '../../math/curve/edgePoints'
import type { PivotHeight } from '../../records/rig/dial'
import { rodPoseAt, type Setup } from '../setup/setup'
import type { Stone } from '../../records/stone/stone'
import { pivotHeightFor } from './pivotHeightFor'
import { adviseDial } from './advised'
import type { DialAdvice } from './whatToDial'

/** A stone of a progression, and what it is to be set to, degrees per side. */
export interface StoneToSet<S extends Stone = Stone> {
  readonly stone: S
  readonly toSetDeg: number
}
/** What it asks for. */
export interface StoneSwap<S extends Stone = Stone> extends StoneToSet<S> {
  /** The exact height for its angle. */
  readonly height: PivotHeight | Refusal
  /**
   * How far the pivot must rise from the first stone of the progression, mm; null where one of the two has no height.
   */
  readonly riseMm: number | null
  /** The same from the stone before. */
  readonly riseFromBeforeMm: number | null
  readonly advice: DialAdvice | Refusal
  /** A collar under the pivot that lifts it so far from where the lowest of these stones needs it, mm. */
  readonly collarMm: number | null
  /** A shim under the stone that brings its face as far from the rod as the thickest stone's, mm. */
  readonly shimMm: number
  /** The angle less its own when the post stays where the first stone needs it; null where there is none. */
  readonly ignoredDeg: number | null
}

/**
 * For the stones of a progression in their order: what to change at each swap so that each has its angle.
 * Source: docs/geometry.md, "Changing the stone".
 */
export function stoneSwaps<S extends Stone>(
  setup: Setup,
  side: Side,
  edgePoint: EdgePoint,
  stones: readonly StoneToSet<S>[],
): StoneSwap<S>[] {
  const heights = stones.map(({ stone, toSetDeg }) => pivotHeightFor({ ...setup, stone }, side, toSetDeg, edgePoint))
  const heightMm = (i: number): number | null => {
    const height = heights[i]
    return height?.ok ? height.heightMm : null
  }
  const rise = (from: number, to: number): number | null => {
    const [a, b] = [heightMm(from), heightMm(to)]
    return a === null || b === null ? null : b - a
  }
  const lowest = Math.min(...heights.map((_, i) => heightMm(i) ?? Infinity))
  const thickest = Math.max(...stones.map(({ stone }) => stone.faceOffsetMm))
  const first = heightMm(0)
  return stones.map(({ stone, toSetDeg }, i) => {
    const at = heightMm(i)
    const left = first === null ? null : contactAt(edgePoint, setup.hold, rodPoseAt({ ...setup, stone }, side, first))
    return {
      stone,
      toSetDeg,
      height: nth(heights, i),
      riseMm: rise(0, i),
      riseFromBeforeMm: i === 0 ? 0 : rise(i - 1, i),
      advice: adviseDial({ ...setup, stone }, side, toSetDeg, edgePoint),
      collarMm: at === null ? null : at - lowest,
      shimMm: thickest - stone.faceOffsetMm,
      ignoredDeg: left?.ok ? left.edgeAngleDeg - toSetDeg : null,
    }
  })
}
