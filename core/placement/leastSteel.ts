import { edgeAngle, heightForAngleMm } from '../math/edgeAngle/edgeAngle'
import { reprofile, type BevelSection } from '../steel/bevel/reprofile'
import type { Side } from '../records/common/side'
import type { ClampPosition } from '../records/job/clampPosition'
import type { EdgePoint } from '../math/curve/edgePoints'
import { highestUpTo } from '../records/rig/dial'
import type { Setup } from '../geometry/setup/setup'
import { distancesOf, type EdgeTangents } from './evenness'
import type { Judgement } from './holdSpace'

const ROUNDS = 3

/**
 * The least steel that a way of holding a blade takes off an existing bevel when the stone still reaches the apex
 * everywhere: the pivot height at which the steepest place has the angle that is there (or the highest of the rig's
 * below it), and what goes at the others (the cost: mean area on this side, mm²); null where the stone cannot lie on
 * all of it, or would run flatter than the primary grind. Source: docs/geometry.md, "An even angle".
 */
export function leastSteel(
  setup: Setup,
  side: Side,
  hold: ClampPosition,
  tangents: EdgeTangents,
  edgePoints: readonly EdgePoint[],
  there: BevelSection,
): Judgement | null {
  const at = { ...setup, hold }
  const faceOffsetMm = setup.stone.faceOffsetMm
  let pivotHeightMm = 60
  let tangent = distancesOf(at, side, tangents, edgePoints, pivotHeightMm)
  // On a tilted blade the distances change a little with the height: a few rounds settle it.
  for (let round = 0; round < ROUNDS; round++) {
    // The place where the least height gives the angle that is there.
    let lowest = Infinity
    for (let i = 0; i < tangents.count; i++) {
      if (!(tangent.distance[i]! > 0)) return null
      const rise = heightForAngleMm(there.edgeAngleDeg, tangent.distance[i]!, faceOffsetMm) - tangent.overBlade[i]!
      lowest = Math.min(lowest, rise)
    }
    pivotHeightMm += lowest
    tangent = distancesOf(at, side, tangents, edgePoints, pivotHeightMm)
  }
  // Below the rig's range the height stays as it is: the limits of a hold say so.
  const set = highestUpTo(setup.rig, pivotHeightMm) ?? pivotHeightMm
  if (set !== pivotHeightMm) {
    pivotHeightMm = set
    tangent = distancesOf(at, side, tangents, edgePoints, set)
  }
  let removed = 0
  for (let i = 0; i < tangents.count; i++) {
    const angle = edgeAngle(tangent.overBlade[i]!, tangent.distance[i]!, faceOffsetMm)
    const section = angle.ok ? reprofile(there, angle.edgeAngleDeg, 0) : null
    if (!section?.ok) return null
    removed += section.removedMm2
  }
  return { pivotHeightMm, cost: removed / tangents.count }
}
