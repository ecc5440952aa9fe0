import { edgeAngle, heightForAngleMm } from '../angle/edgeAngle'
import { reprofile, type BevelSection } from '../bevel/reprofile'
import type { Side } from '../clamping/centring'
import type { ClampPosition } from '../clamping/clampPosition'
import type { Station } from '../curve/stations'
import { highestUpTo } from '../rig/dial'
import { reacherAt, type Setup } from '../setup/setup'
import { distancesOf, type EdgeTangents } from './evenness'
import type { Judgement } from './holdSpace'

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
  stations: readonly Station[],
  there: BevelSection,
): Judgement | null {
  const at = { ...setup, hold }
  const faceOffsetMm = setup.stone.faceOffsetMm
  let pivotHeightMm = 60
  let distances = distancesOf(at, side, tangents, stations, pivotHeightMm)
  // On a tilted blade the distances change a little with the height: three rounds settle it.
  for (let round = 0; round < 3; round++) {
    const nearest = Math.min(...distances)
    if (!(nearest > 0)) return null
    const over = reacherAt(at, side, pivotHeightMm).pivot.w
    pivotHeightMm += heightForAngleMm(there.edgeAngleDeg, nearest, faceOffsetMm) - over
    distances = distancesOf(at, side, tangents, stations, pivotHeightMm)
  }
  // Below the rig's range the height stays as it is: the limits of a hold say so.
  const set = highestUpTo(setup.rig, pivotHeightMm) ?? pivotHeightMm
  if (set !== pivotHeightMm) {
    pivotHeightMm = set
    distances = distancesOf(at, side, tangents, stations, set)
  }
  const over = reacherAt(at, side, pivotHeightMm).pivot.w
  let removed = 0
  for (const distance of distances) {
    const angle = edgeAngle(over, distance, faceOffsetMm)
    const section = angle.ok ? reprofile(there, angle.edgeAngleDeg, 0) : null
    if (!section?.ok) return null
    removed += section.removedMm2
  }
  return { pivotHeightMm, cost: removed / distances.length }
}
