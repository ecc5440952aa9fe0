import { contactAt, contactsAlong, type Contact } from '../geometry/contact/contact'
import { lowestAngleOverJawsDeg, topsOf } from '../geometry/hold/jawClearance'
import type { Refusal } from '../schema/refusal'
import { bladeHeightMm, edgePointOverJaws } from '../geometry/clamping/bladeHeight'
import { SIDES, type Side } from '../records/common/side'
import { edgePointAt, type EdgePoint } from '../math/curve/edgePoints'
import { uncertaintyBudget, includedUncertaintyDeg, totalUncertaintyDeg, type UncertaintyShare } from './budget'
import type { KnownHold } from '../records/job/knownHold'
import { heightOfSetting } from '../records/rig/dial'
import { rodPosesAt, type Setup } from '../geometry/setup/setup'
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
  /** Along the edge, one for each edgePoint. */
  readonly along: readonly (Contact | Refusal)[]
  readonly lowestDeg: number
  readonly highestDeg: number
  /** The lowest edge angle that clears the jaws at the place looked at; null where the jaws are out of the way. */
  readonly lowestOverJawsDeg: number | null
}

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

/** A job looked at where its dial is for. */
export const atDialFor = <T extends Pick<Job, 'lookAtMm'>>(job: T): T =>
  job.lookAtMm === null ? job : { ...job, lookAtMm: null }

/**
 * Everything the rig's geometry gives for a job, at the place looked at and along the edge. `edgePoints`: the blade's
 * edge from heel to tip, even in arc length (they depend on the blade alone and can be kept between calls).
 */
export function evaluate(
  setup: Setup,
  job: Pick<Job, 'dialled' | 'dialForMm' | 'lookAtMm'> & KnownHold,
  edgePoints: readonly EdgePoint[],
): Evaluation {
  const placeMm = job.lookAtMm ?? job.dialForMm
  const edgePoint =
    placeMm === null
      ? edgePointOverJaws(setup.blade.edge, edgePoints, setup.hold)
      : edgePointAt(setup.blade.edge, placeMm)
  const [a, b] = SIDES.map((side) => sideSet(setup, job, side, edgePoint, edgePoints)) as [
    SideSet | Refusal,
    SideSet | Refusal,
  ]
  const counted = setup.blade.bevels === 'A' ? [a] : [a, b]
  const known = counted.filter((side): side is SideSet => side.ok)
  const complete = known.length === counted.length
  return {
    edgePoint,
    bladeHeightMm: bladeHeightMm(edgePoint, setup.hold),
    sides: { A: a, B: b },
    includedDeg: complete ? known.reduce((sum, side) => sum + side.contact.edgeAngleDeg, 0) : null,
    includedUncertaintyDeg: complete ? includedUncertaintyDeg(known[0]!.budget, known[1]?.budget ?? []) : null,
  }
}

function sideSet(
  setup: Setup,
  job: Pick<Job, 'dialled'> & KnownHold,
  side: Side,
  edgePoint: EdgePoint,
  edgePoints: readonly EdgePoint[],
): SideSet | Refusal {
  const height = heightOfSetting(setup.rig, job.dialled[side])
  if (!height.ok) return height
  const over = rodPosesAt(setup, side, height.heightMm)
  const contact = contactAt(edgePoint, setup.hold, over(edgePoint))
  if (!contact.ok) return contact
  const along = contactsAlong(edgePoints, setup.hold, over)
  let [lowestDeg, highestDeg] = [contact.edgeAngleDeg, contact.edgeAngleDeg]
  for (const at of along) {
    if (!at.ok) continue
    lowestDeg = Math.min(lowestDeg, at.edgeAngleDeg)
    highestDeg = Math.max(highestDeg, at.edgeAngleDeg)
  }
  const { jaws } = setup.rig
  const budget = uncertaintyBudget(setup, job, side, height.heightMm, edgePoint)
  return {
    ok: true,
    pivotHeightMm: height.heightMm,
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
