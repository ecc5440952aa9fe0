import { contactAt, faceGapMm } from '../angle/contact'
import { refuse, type Refusal } from '../angle/reasons'
import { secantRoot } from '../angle/solve'
import { bladeHeightMm, moved } from '../clamping/bladeHeight'
import type { Side } from '../clamping/centring'
import type { ClampPosition } from '../clamping/clampPosition'
import type { Station } from '../curve/stations'
import { heightOfSetting } from '../rig/dial'
import type { DialSetting } from '../rig/heightReading'
import { reacherAt, type Job } from '../setup/job'

export interface BladeHeightFor {
  readonly ok: true
  /** How far the edge at the station then stands out of the jaws, mm. */
  readonly bladeHeightMm: number
  readonly held: ClampPosition
}

/**
 * How far out to hold the blade, the rig left as it is set, for a wanted edge angle at a station. Refused when moving
 * the blade out does not change the angle there (the edge runs square to the jaws) or would draw it into the jaws.
 * Source: docs/geometry.md, "Solving for a wanted angle".
 */
export function bladeHeightFor(
  job: Job,
  side: Side,
  setting: DialSetting,
  wantedDeg: number,
  station: Station,
): BladeHeightFor | Refusal {
  const height = heightOfSetting(job.rig, setting)
  if (!height.ok) return height
  if (!(wantedDeg > 0 && wantedDeg < 90)) return refuse('angle-out-of-range')
  const heldOut = (outMm: number): Job => ({ ...job, held: moved(job.held, 0, outMm) })
  const over = (at: Job) => reacherAt(at, side, height.heightMm)
  const outMm = secantRoot((out) => faceGapMm(station, heldOut(out).held, over(heldOut(out)), wantedDeg), 0)
  if (outMm === null) return refuse('parallel-to-jaws')
  const at = heldOut(outMm)
  const contact = contactAt(station, at.held, over(at))
  if (!contact.ok) return contact
  const outOfJaws = bladeHeightMm(station, at.held)
  if (outOfJaws <= 0) return refuse('into-jaws', outOfJaws)
  return { ok: true, bladeHeightMm: outOfJaws, held: at.held }
}
