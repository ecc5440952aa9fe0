import { contactAt, contactsAlong, type Contact } from '../angle/contact'
import { lowestAngleOverJawsDeg } from '../rig/jawClearance'
import type { Refusal } from '../angle/reasons'
import { bladeHeightMm, stationOverJaws } from '../clamping/bladeHeight'
import { SIDES, type Side } from '../clamping/centring'
import { stationAt, type Station } from '../curve/stations'
import { doubtBudget, includedDoubtDeg, totalDoubtDeg, type DoubtShare } from '../doubt/budget'
import type { KnownHold } from '../doubt/measures'
import { heightOfSetting } from '../rig/dial'
import { reacherAt, type Job } from '../setup/job'
import type { Setup } from '../setup/setup'

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

/**
 * Everything the rig's geometry gives for a setup, at the place looked at and along the edge. `stations`: the blade's
 * edge from heel to tip, even in arc length (they depend on the blade alone and can be kept between calls).
 */
export function evaluate(
  job: Job,
  setup: Pick<Setup, 'dialled' | 'lookAtMm'> & KnownHold,
  stations: readonly Station[],
): Evaluation {
  const station =
    setup.lookAtMm === null
      ? stationOverJaws(job.blade.edge, stations, job.held)
      : stationAt(job.blade.edge, setup.lookAtMm)
  const [a, b] = SIDES.map((side) => sideSet(job, setup, side, station, stations)) as [
    SideSet | Refusal,
    SideSet | Refusal,
  ]
  const counted = job.blade.bevels === 'A' ? [a] : [a, b]
  const known = counted.filter((side): side is SideSet => side.ok)
  const complete = known.length === counted.length
  return {
    station,
    bladeHeightMm: bladeHeightMm(station, job.held),
    sides: { A: a, B: b },
    includedDeg: complete ? known.reduce((sum, side) => sum + side.contact.edgeAngleDeg, 0) : null,
    includedDoubtDeg: complete ? includedDoubtDeg(known[0]!.budget, known[1]?.budget ?? []) : null,
  }
}

function sideSet(
  job: Job,
  setup: Pick<Setup, 'dialled'> & KnownHold,
  side: Side,
  station: Station,
  stations: readonly Station[],
): SideSet | Refusal {
  const height = heightOfSetting(job.rig, side === 'A' ? setup.dialled.a : setup.dialled.b)
  if (!height.ok) return height
  const over = reacherAt(job, side, height.heightMm)
  const contact = contactAt(station, job.held, over)
  if (!contact.ok) return contact
  const along = contactsAlong(stations, job.held, over)
  let [lowestDeg, highestDeg] = [contact.edgeAngleDeg, contact.edgeAngleDeg]
  for (const at of along) {
    if (!at.ok) continue
    lowestDeg = Math.min(lowestDeg, at.edgeAngleDeg)
    highestDeg = Math.max(highestDeg, at.edgeAngleDeg)
  }
  const { jaws } = job.rig
  const budget = doubtBudget(job, setup, side, height.heightMm, station)
  return {
    ok: true,
    pivotHeightMm: height.heightMm,
    contact,
    doubtDeg: totalDoubtDeg(budget),
    budget,
    along,
    lowestDeg,
    highestDeg,
    lowestOverJawsDeg: jaws ? lowestAngleOverJawsDeg(contact, jaws, job.stone, job.rig.stroke) : null,
  }
}
