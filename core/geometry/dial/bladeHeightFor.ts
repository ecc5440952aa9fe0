import { contactAt, faceGapMm } from '../contact/contact'
import { refuse, type Refusal } from '../../schema/refusal'
import { secantRoot } from '../contact/solve'
import { bladeHeightMm, moved } from '../clamping/bladeHeight'
import type { Side } from '../../records/common/side'
import type { ClampPosition } from '../../records/job/clampPosition'
import type { EdgePoint } from '../../math/curve/edgePoints'
import { heightOfSetting } from '../../records/rig/dial'
import type { DialSetting } from '../../records/rig/dials/readings'
import { rodPoseAt, type Setup } from '../setup/setup'

export interface BladeHeightFor {
  readonly ok: true
  /** How far the edge at the edge point then stands out of the jaws, mm. */
  readonly bladeHeightMm: number
  readonly hold: ClampPosition
}

/**
 * How far out to hold the blade, the rig left as it is set, for a wanted edge angle at an edge point. Refused when
 * moving the blade out does not change the angle there (the edge runs square to the jaws) or would draw it into the
 * jaws. Source: docs/geometry.md, "Solving for a wanted angle".
 */
export function bladeHeightFor(
  setup: Setup,
  side: Side,
  setting: DialSetting,
  wantedDeg: number,
  edgePoint: EdgePoint,
): BladeHeightFor | Refusal {
  const height = heightOfSetting(setup.rig, setting)
  if (!height.ok) return height
  if (!(wantedDeg > 0 && wantedDeg < 90)) return refuse('angle-out-of-range')
  const holdOut = (outMm: number): Setup => ({ ...setup, hold: moved(setup.hold, 0, outMm) })
  const over = (at: Setup) => rodPoseAt(at, side, height.heightMm)
  const outMm = secantRoot((out) => faceGapMm(edgePoint, holdOut(out).hold, over(holdOut(out)), wantedDeg), 0)
  if (outMm === null) return refuse('parallel-to-jaws')
  const at = holdOut(outMm)
  const contact = contactAt(edgePoint, at.hold, over(at))
  if (!contact.ok) return contact
  const outOfJaws = bladeHeightMm(edgePoint, at.hold)
  if (outOfJaws <= 0) return refuse('into-jaws')
  return { ok: true, bladeHeightMm: outOfJaws, hold: at.hold }
}
