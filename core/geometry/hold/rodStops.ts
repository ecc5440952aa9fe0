import { contactsAlong, type Contact } from '../contact/contact'
import type { EdgePoint } from '../../math/curve/edgePoints'
import type { Side } from '../../records/common/side'
import { refuse, type Refusal } from '../../schema/refusal'
import { isWorked, rodPoseAt, type Setup } from '../setup/setup'
import { passesOverJaws, topsOf } from './jawClearance'

/** Where two stops on the rod keep the stone's middle, mm from the pivot along the rod. */
export interface RodStops {
  readonly ok: true
  readonly nearestMm: number
  readonly farthestMm: number
}

/** So much of the stone stays over the edge at either stop, mm. */
export const KEPT_ON_MM = 5
/** The near end of the stone stays so far from the pivot, mm. */
const OFF_PIVOT_MM = 5
/** A stroke between stops is at least so long, mm. */
const LEAST_STROKE_MM = 10
const NEAR_MM = 0.25

/**
 * The two stops with which the stone never leaves the edge that is worked, nor meets pivot or jaws, with the pivot at a
 * height (mm above the clamp's centre plane, or the table). Refused as contactAt refuses a place of the edge, where no
 * stroke of 10 mm is left between the stops ('stops-too-near', `limitMm`: how long a stone would have to be), and where
 * the stone meets the jaws however short its stroke ('jaws-in-the-way'). Source: docs/geometry.md, "Limits".
 */
export function rodStops(
  setup: Setup,
  side: Side,
  pivotHeightMm: number,
  edgePoints: readonly EdgePoint[],
): RodStops | Refusal {
  const over = rodPoseAt(setup, side, pivotHeightMm)
  // Stops that are on the rod already are those that are looked for.
  const found = contactsAlong(
    edgePoints.filter((one) => isWorked(setup, one)),
    setup.hold,
    { ...over, stroke: null },
  )
  const contacts: Contact[] = []
  for (const one of found) {
    if (!one.ok) return one
    contacts.push(one)
  }
  const half = setup.stone.lengthMm / 2
  const reaches = contacts.map(({ reachMm }) => reachMm)
  const farthestMm = Math.min(Math.min(...reaches) + half - KEPT_ON_MM, over.rodLengthMm - half)
  const nearestMm = Math.max(Math.max(...reaches) - half + KEPT_ON_MM, half + OFF_PIVOT_MM)
  const strokeMm = farthestMm - nearestMm
  if (!(strokeMm >= LEAST_STROKE_MM))
    return refuse('stops-too-near', { limitMm: setup.stone.lengthMm + LEAST_STROKE_MM - strokeMm })
  const clearMm = nearestClearMm(setup, side, contacts, { nearestMm, farthestMm: farthestMm - LEAST_STROKE_MM })
  return clearMm === null ? refuse('jaws-in-the-way') : { ok: true, nearestMm: clearMm, farthestMm }
}

/** The nearest place of the near stop with which the stone clears the jaws: farther out, less of it lies over them. */
function nearestClearMm(
  setup: Setup,
  side: Side,
  contacts: readonly Contact[],
  { nearestMm, farthestMm }: Omit<RodStops, 'ok'>,
): number | null {
  const { jaws } = setup.rig
  if (!jaws) return nearestMm
  const tops = topsOf(setup, side, jaws)
  const clears = (at: number) =>
    contacts.every((contact) => passesOverJaws(contact, tops, setup.stone, { nearestMm: at, farthestMm: Infinity }))
  if (clears(nearestMm)) return nearestMm
  if (!clears(farthestMm)) return null
  let [meets, clear] = [nearestMm, farthestMm]
  while (clear - meets > NEAR_MM) {
    const middle = (meets + clear) / 2
    if (clears(middle)) clear = middle
    else meets = middle
  }
  return clear
}
