import type { Side } from '../../records/common/side'
import { bladeHeightMm, moved } from '../clamping/bladeHeight'
import type { EdgePoint } from '../../math/curve/edgePoints'
import type { Setup } from '../setup/setup'
import { pivotHeightFor } from './pivotHeightFor'

/**
 * All pairs of blade height and pivot height that give one edge angle at an edge point: a line in the plane of the two.
 */
export interface EqualAngleLine {
  readonly edgeAngleDeg: number
  readonly points: readonly { readonly bladeHeightMm: number; readonly pivotHeightMm: number }[]
}

/**
 * The line of equal edge angle for each angle, over a range of blade heights (how far the edge at the edge point stands
 * out); places where the angle does not exist are left out. Source: docs/geometry.md, "Solving for a wanted angle".
 */
export function equalAngleLines(
  setup: Setup,
  side: Side,
  edgePoint: EdgePoint,
  anglesDeg: readonly number[],
  bladeHeights: { fromMm: number; toMm: number; steps: number },
): EqualAngleLine[] {
  const { fromMm, toMm, steps } = bladeHeights
  const now = bladeHeightMm(edgePoint, setup.hold)
  const rodForAll = { ...setup.rig, rodLengthMm: Infinity, stroke: null }
  const hold = Array.from({ length: steps + 1 }, (_, i) => {
    const out = fromMm + ((toMm - fromMm) * i) / steps
    return { out, setup: { ...setup, rig: rodForAll, hold: moved(setup.hold, 0, out - now) } }
  })
  return anglesDeg.map((edgeAngleDeg) => ({
    edgeAngleDeg,
    points: hold.flatMap(({ out, setup: at }) => {
      const height = pivotHeightFor(at, side, edgeAngleDeg, edgePoint)
      return height.ok ? [{ bladeHeightMm: out, pivotHeightMm: height.heightMm }] : []
    }),
  }))
}
