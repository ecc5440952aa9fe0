import { contactAt, contactsAlong, type Contact } from '../geometry/contact/contact'
import { lowestAngleOverJawsDeg, topsOf } from '../geometry/hold/jawClearance'
import type { Refusal } from '../schema/refusal'
import { bladeHeightMm, edgePointOverJaws } from '../geometry/clamping/bladeHeight'
import { perSide, type Side } from '../records/common/side'
import { edgePointAt, type EdgePoint } from '../math/curve/edgePoints'
import { uncertaintyBudget, includedUncertaintyDeg, totalUncertaintyDeg, type UncertaintyShare } from './budget'
import type { KnownHold } from '../records/job/knownHold'
import { heightOfSetting } from '../records/rig/dial'
import { isWorked, rodPoseAt, type Setup } from '../geometry/setup/setup'
import type { Job } from '../records/job/job'

/** What the rig gives on one side. */
export interface SideSet {
  readonly ok: true
  /** The pivot above the clamp's centre plane (or the table), mm. */
  readonly pivotHeightMm: number
  /** At the place looked at. */
  readonly contact: Contact
  /** Uncertainty of the edge angle there, half-width. */
  readonly uncertaintyDeg: number
  /** What each measure adds to it, the largest first. */
  readonly budget: readonly UncertaintyShare[]
  /** Along the edge, one for each edge point. */
  readonly along: readonly (Contact | Refusal)[]
  /** Along the stretch that is worked in this hold. */
  readonly lowestDeg: number
  readonly highestDeg: number
  /** The lowest edge angle that clears the jaws at the place looked at; null where the jaws are out of the way. */
  readonly lowestOverJawsDeg: number | null
}

/** How far the angle along the edge that is worked runs off from that at the place looked at, degrees. */
export const runsOffDeg = ({ contact, lowestDeg, highestDeg }: SideSet): number =>
  Math.max(contact.edgeAngleDeg - lowestDeg, highestDeg - contact.edgeAngleDeg)
/** An angle that runs off further than this along the edge wants a better hold, degrees. */
export const UNEVEN_DEG = 3

export interface Evaluation {
  /** The place of the edge looked at. */
  readonly edgePoint: EdgePoint
  /** How far the edge stands out of the jaws there, mm. */
  readonly bladeHeightMm: number
  readonly sides: Readonly<Record<Side, SideSet | Refusal>>
  /** Both sides together, when both exist; a blade with a bevel on side A alone has that side's angle. */
  readonly includedDeg: number | null
  readonly includedUncertaintyDeg: number | null
}

/** What the rig gives along the edge on one side, whatever place of it is looked at. */
interface SideAlong {
  readonly ok: true
  readonly pivotHeightMm: number
  readonly over: ReturnType<typeof rodPoseAt>
  readonly along: readonly (Contact | Refusal)[]
}

/** The contacts along an edge on both sides: they stay as they are while another place of it is looked at. */
export type AlongEdge = Readonly<Record<Side, SideAlong | Refusal>> & { readonly edgePoints: readonly EdgePoint[] }

/**
 * What the rig's geometry gives along the edge, on both sides. `edgePoints`: the blade's edge from heel to tip, even in
 * arc length (they depend on the blade alone and can be kept between calls).
 */
export function alongEdge(
  setup: Setup,
  { dialled }: Pick<Job, 'dialled'>,
  edgePoints: readonly EdgePoint[],
): AlongEdge {
  const on = (side: Side): SideAlong | Refusal => {
    const height = heightOfSetting(setup.rig, dialled[side])
    if (!height.ok) return height
    const over = rodPoseAt(setup, side, height.heightMm)
    return { ok: true, pivotHeightMm: height.heightMm, over, along: contactsAlong(edgePoints, setup.hold, over) }
  }
  return { ...perSide(on), edgePoints }
}

/** Everything the rig's geometry gives for a job, at one place: its arc length from the heel; null: over the jaws. */
export function evaluateAt(setup: Setup, job: KnownHold, edge: AlongEdge, placeMm: number | null): Evaluation {
  const edgePoint =
    placeMm === null
      ? edgePointOverJaws(setup.blade.edge, edge.edgePoints, setup.hold)
      : edgePointAt(setup.blade.edge, placeMm)
  const sides = perSide((side) => sideSet(setup, job, side, edgePoint, edge[side]))
  const counted = setup.blade.bevels === 'A' ? [sides.A] : [sides.A, sides.B]
  const known = counted.filter((side): side is SideSet => side.ok)
  const [first, second] = known
  const complete = known.length === counted.length
  return {
    edgePoint,
    bladeHeightMm: bladeHeightMm(edgePoint, setup.hold),
    sides,
    includedDeg: complete ? known.reduce((sum, side) => sum + side.contact.edgeAngleDeg, 0) : null,
    includedUncertaintyDeg: complete && first ? includedUncertaintyDeg(first.budget, second?.budget ?? []) : null,
  }
}

/** The same with what is along the edge; where no place is given, at the place that the dial is for. */
export const evaluate = (
  setup: Setup,
  job: Pick<Job, 'dialled' | 'dialForMm'> & KnownHold,
  edgePoints: readonly EdgePoint[],
  placeMm = job.dialForMm,
): Evaluation => evaluateAt(setup, job, alongEdge(setup, job, edgePoints), placeMm)

function sideSet(
  setup: Setup,
  job: KnownHold,
  side: Side,
  edgePoint: EdgePoint,
  edge: SideAlong | Refusal,
): SideSet | Refusal {
  if (!edge.ok) return edge
  const { pivotHeightMm, over, along } = edge
  const contact = contactAt(edgePoint, setup.hold, over)
  if (!contact.ok) return contact
  let [lowestDeg, highestDeg] = [contact.edgeAngleDeg, contact.edgeAngleDeg]
  for (const at of along) {
    if (!at.ok || !isWorked(setup, at)) continue
    lowestDeg = Math.min(lowestDeg, at.edgeAngleDeg)
    highestDeg = Math.max(highestDeg, at.edgeAngleDeg)
  }
  const { jaws } = setup.rig
  const budget = uncertaintyBudget(setup, job, side, pivotHeightMm, edgePoint)
  return {
    ok: true,
    pivotHeightMm,
    contact,
    uncertaintyDeg: totalUncertaintyDeg(budget),
    budget,
    along,
    lowestDeg,
    highestDeg,
    lowestOverJawsDeg: jaws
      ? lowestAngleOverJawsDeg(contact, topsOf(setup, side, jaws), setup.stone, setup.rig.stroke)
      : null,
  }
}
