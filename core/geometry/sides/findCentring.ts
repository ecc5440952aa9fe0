import { contactAt } from '../contact/contact'
import { expectedReadingDeg } from '../gauge/expectedReading'
import type { GaugeAxes } from '../../records/job/gaugeZero'
import { refuse, type Refusal } from '../../schema/refusal'
import { secantRoot } from '../contact/solve'
import type { PerSide, Side } from '../../records/common/side'
import type { EdgePoint } from '../../math/curve/edgePoints'
import { rodPoseAt, type Setup } from '../setup/setup'
import { radians } from '../../math/units/angle'

/** Something measured with side A up, and the same with side B up. */
export type BothWaysUp = PerSide<number>

/**
 * From a gauge zeroed on the jaws (or the table) and stood on the blade's flat, square to the edge, with A up and with
 * B up, degrees, positive where the flat rises towards the edge: the tilt of the centre plane on side A, and the
 * primary half-angle. Source: docs/geometry.md, "The two sides".
 */
export const tiltFromFlats = (flatDeg: BothWaysUp): { tiltDeg: number; halfAngleDeg: number } => ({
  tiltDeg: (flatDeg.A - flatDeg.B) / 2,
  halfAngleDeg: -(flatDeg.A + flatDeg.B) / 2,
})

/**
 * From the height of the edge over one and the same plate (mm), turned over with the clamp: how far the centre plane
 * stands off the jaws' at their front, on side A, once the tilt's part out at the edge is taken away. Source: as above.
 */
export const offsetFromEdgeHeights = (heightMm: BothWaysUp, bladeHeightMm: number, tiltDeg: number): number =>
  (heightMm.A - heightMm.B) / 2 - bladeHeightMm * Math.sin(radians(tiltDeg))

/**
 * Whose error it is: half-differences found with the blade as it was and with the blade alone turned over in the jaws.
 * The clamp's part stays, the blade's own (an uneven grind) changes sign. In whatever unit they were found. Source: as
 * above.
 */
export const clampOrBlade = (asItWas: number, turnedInJaws: number): { clamp: number; blade: number } => ({
  clamp: (asItWas + turnedInJaws) / 2,
  blade: (asItWas - turnedInJaws) / 2,
})

export interface FoundOffset {
  readonly ok: true
  readonly centreOffsetMm: number
}

/**
 * The centring offset that makes the gauge on the stone (zeroed on the blade's centre plane) differ by as much between
 * the sides as was read, with the tilt as the job has it. Refused where an angle does not exist or no offset explains
 * it. Source: as above.
 */
export function offsetFromStoneReadings(
  setup: Setup,
  pivotHeightMm: PerSide<number>,
  edgePoint: EdgePoint,
  readDeg: BothWaysUp,
  axes: GaugeAxes,
): FoundOffset | Refusal {
  let refused: Refusal | null = null
  const reading = (side: Side, centreOffsetMm: number): number => {
    const hold = { ...setup.hold, centreOffsetMm }
    const held = { ...setup, hold }
    const contact = contactAt(edgePoint, hold, rodPoseAt(held, side, pivotHeightMm[side]))
    if (contact.ok) return expectedReadingDeg(held, side, contact, { zero: 'centre-plane', axes })
    refused = contact
    return NaN
  }
  const found = secantRoot((offset) => reading('A', offset) - reading('B', offset) - (readDeg.A - readDeg.B), 0, 0.1)
  if (refused) return refused
  return found === null || Math.abs(found) > 10 ? refuse('angle-out-of-range') : { ok: true, centreOffsetMm: found }
}
