import { nth } from '../math/list'
import { contactAt } from '../geometry/contact/contact'
import { passesOverJaws, topsOf } from '../geometry/hold/jawClearance'
import type { Side } from '../records/common/side'
import type { ClampPosition } from '../records/job/clampPosition'
import type { EdgePoint } from '../math/curve/edgePoints'
import { gripOf, type GripTrouble } from '../geometry/hold/grip'
import { jawFit } from '../geometry/hold/holdChecks'
import { heightRange } from '../records/rig/dial'
import { rodPoseAt, type Setup } from '../geometry/setup/setup'

/** What stands against a way of holding a blade at a pivot height; null where nothing does. */
export type HoldLimits = (hold: ClampPosition, pivotHeightMm: number) => HoldTrouble | null

/** Why a blade cannot be held so. */
export type HoldTrouble =
  GripTrouble | 'slips-out' | 'height-out-of-rig' | 'rod-too-short' | 'stops-too-near' | 'stone-meets-jaws'

/** So many places of the edge are asked: between fewer a stone may meet the jaws unseen. */
const ALONG_EDGE = 41

/**
 * Judges ways of holding a job's blade by what its jaws, its rod and its rig can do: answers what stands against one
 * (the jaws' grip first), or null. The places of the edge that must be reached are `edgePoints`. Source:
 * docs/geometry.md, "Limits".
 */
export function holdLimits(setup: Setup, side: Side, edgePoints: readonly EdgePoint[]): HoldLimits {
  const { rig, blade } = setup
  const { lowestMm, highestMm } = heightRange(rig)
  const grips = gripOf(blade, rig)
  const every = Math.max(1, Math.floor((edgePoints.length - 1) / (ALONG_EDGE - 1)))
  const reached = edgePoints.filter((_, i) => i % every === 0 || i === edgePoints.length - 1)
  // What was in the way of one hold mostly is in the way of the next as well: that place is asked first.
  let barred = 0
  return (hold, pivotHeightMm) => {
    const grip = grips.trouble(hold)
    if (grip) return grip
    if (jawFit({ ...setup, hold })?.verdict === 'bad') return 'slips-out'
    if (pivotHeightMm < lowestMm - 1e-9 || pivotHeightMm > highestMm + 1e-9) return 'height-out-of-rig'
    const held = { ...setup, hold }
    const over = rodPoseAt(held, side, pivotHeightMm)
    const tops = rig.jaws && topsOf(held, side, rig.jaws)
    for (let i = 0; i < reached.length; i++) {
      const at = (barred + i) % reached.length
      const edgePoint = nth(reached, at)
      const contact = contactAt(edgePoint, hold, over)
      if (contact.ok && (!tops || passesOverJaws(contact, tops, setup.stone, rig.stroke))) continue
      barred = at
      if (contact.ok) return 'stone-meets-jaws'
      return contact.code === 'before-stop' ? 'stops-too-near' : 'rod-too-short'
    }
    return null
  }
}
