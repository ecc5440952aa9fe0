import { contactAt, contactsAlong, type Contact } from '../geometry/contact/contact'
import { lowestAngleOverJawsDeg, topsOf } from '../geometry/hold/jawClearance'
import type { Refusal } from '../schema/refusal'
import { bladeHeightMm, stationOverJaws } from '../geometry/clamping/bladeHeight'
import { SIDES, type Side } from '../records/common/side'
import { stationAt, type Station } from '../math/curve/stations'
import { doubtBudget, includedDoubtDeg, totalDoubtDeg, type DoubtShare } from './budget'
import type { KnownHold } from '../records/job/knownHold'
import { heightOfSetting } from '../records/rig/dial'
import { reachersAt, type Setup } from '../geometry/setup/setup'
import type { Job } from '../records/job/job'

/** What the rig gives on one side. */
export interface SideSet {
  readonly ok: true
  /** The pivot above the clamp's centre plane (or the table), mm. */
  readonly pivotHeightMm: number
  /** At the place looked at. */
  readonly contact: Contact
  /** Doubt of the edge angle there, half-width. */
  readonly doubtDeg: number
  /** What each measure adds to it, the largest first. */
  readonly budget: readonly DoubtShare[]
  /** Along the edge, one for each station. */
  readonly along: readonly (Contact | Refusal)[]
  readonly lowestDeg: number
  readonly highestDeg: number
  /** The lowest edge angle that clears the jaws at the place looked at; null where the jaws are out of the way. */
  readonly lowestOverJawsDeg: number | null
}

export interface Evaluation {
  /** The place of the edge looked at. */
  readonly station: Station
  /** How far the edge stands out of the jaws there, mm. */
  readonly bladeHeightMm: number
  readonly sides: Readonly<Record<Side, SideSet | Refusal>>
  /** Both sides together, when both exist; a blade with a bevel on side A alone has that side's angle. */
  readonly includedDeg: number | null
  readonly includedDoubtDeg: number | null
}

/** A job looked at where its dial is for. */
export const atDialFor = <T extends Pick<Job, 'lookAtMm'>>(job: T): T =>
  job.lookAtMm === null ? job : { ...job, lookAtMm: null }

/**
 * Everything the rig's geometry gives for a job, at the place looked at and along the edge. `stations`: the blade's
 * edge from heel to tip, even in arc length (they depend on the blade alone and can be kept between calls).
 */
export function evaluate(
  setup: Setup,
  job: Pick<Job, 'dialled' | 'dialForMm' | 'lookAtMm'> & KnownHold,
  stations: readonly Station[],
): Evaluation {
  const placeMm = job.lookAtMm ?? job.dialForMm
  const station =
    placeMm === null ? stationOverJaws(setup.blade.edge, stations, setup.hold) : stationAt(setup.blade.edge, placeMm)
  const [a, b] = SIDES.map((side) => sideSet(setup, job, side, station, stations)) as [
    SideSet | Refusal,
    SideSet | Refusal,
  ]
  const counted = setup.blade.bevels === 'A' ? [a] : [a, b]
  const known = counted.filter((side): side is SideSet => side.ok)
  const complete = known.length === counted.length
  return {
    station,
    bladeHeightMm: bladeHeightMm(station, setup.hold),
    sides: { A: a, B: b },
    includedDeg: complete ? known.reduce((sum, side) => sum + side.contact.edgeAngleDeg, 0) : null,
    includedDoubtDeg: complete ? includedDoubtDeg(known[0]!.budget, known[1]?.budget ?? []) : null,
  }
}

function sideSet(
  setup: Setup,
  job: Pick<Job, 'dialled'> & KnownHold,
  side: Side,
  station: Station,
  stations: readonly Station[],
): SideSet | Refusal {
  const height = heightOfSetting(setup.rig, job.dialled[side])
  if (!height.ok) return height
  const over = reachersAt(setup, side, height.heightMm)
  const contact = contactAt(station, setup.hold, over(station))
  if (!contact.ok) return contact
  const along = contactsAlong(stations, setup.hold, over)
  let [lowestDeg, highestDeg] = [contact.edgeAngleDeg, contact.edgeAngleDeg]
  for (const at of along) {
    if (!at.ok) continue
    lowestDeg = Math.min(lowestDeg, at.edgeAngleDeg)
    highestDeg = Math.max(highestDeg, at.edgeAngleDeg)
  }
  const { jaws } = setup.rig
  const budget = doubtBudget(setup, job, side, height.heightMm, station)
  return {
    ok: true,
    pivotHeightMm: height.heightMm,
    contact,
    doubtDeg: totalDoubtDeg(budget),
    budget,
    along,
    lowestDeg,
    highestDeg,
    lowestOverJawsDeg: jaws
      ? lowestAngleOverJawsDeg(contact, topsOf(setup, side, jaws), setup.stone, setup.rig.stroke)
      : null,
  }
}
