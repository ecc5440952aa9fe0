import { contactAt, faceGapMm } from '../contact/contact'
import { refuse, type Refusal } from '../../schema/refusal'
import { secantRoot } from '../contact/solve'
import type { Side } from '../../records/common/side'
import type { EdgePoint } from '../../math/curve/edgePoints'
import type { PivotHeight } from '../../records/rig/dial'
import { rodPoseAt, type Setup } from '../setup/setup'

/**
 * The pivot height (mm above the clamp's centre plane, or the table) that gives a wanted edge angle at an edge point,
 * whether or not the rig can reach that height. Refused when there is none, or the stone cannot work there.
 * Source: docs/geometry.md, "Solving for a wanted angle".
 */
export function pivotHeightFor(
  setup: Setup,
  side: Side,
  wantedDeg: number,
  edgePoint: EdgePoint,
): PivotHeight | Refusal {
  if (!(wantedDeg > 0 && wantedDeg < 90)) return refuse('angle-out-of-range')
  const gap = (heightMm: number) => faceGapMm(edgePoint, setup.hold, rodPoseAt(setup, side, heightMm), wantedDeg)
  const heightMm = secantRoot(gap, 50)
  if (heightMm === null) return refuse('angle-out-of-range')
  const contact = contactAt(edgePoint, setup.hold, rodPoseAt(setup, side, heightMm))
  return contact.ok ? { ok: true, heightMm } : contact
}
