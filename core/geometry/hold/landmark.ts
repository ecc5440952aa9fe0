import type { Blade } from '../../records/blade/blade'
import type { Rig } from '../../records/rig/rig'
import { radians } from '../../math/units/angle'
import type { ClampPosition } from '../../records/job/clampPosition'

/** A landmark this near to a mark lies on it, mm. */
const ON_MARK_MM = 0.3

/**
 * Where a line square across the blade, so far along it from the heel, crosses the jaws' front line: from their middle
 * towards the tip, mm.
 */
const alongJawsMm = (alongBladeMm: number, hold: Pick<ClampPosition, 'bladeXMm' | 'turnDeg'>): number =>
  (alongBladeMm - hold.bladeXMm) / Math.cos(radians(hold.turnDeg))

/** The bladeX of the clamp position that lays such a line on a mark of the jaws, mm: the inverse of alongJawsMm. */
export const bladeXOnMark = (alongBladeMm: number, markMm: number, turnDeg: number): number =>
  alongBladeMm - markMm * Math.cos(radians(turnDeg))

/** The mark of the jaws that the blade's landmark lies on; null where it lies on none, or there is no such thing. */
export function markUnderLandmark(
  rig: Pick<Rig, 'positionMarks'>,
  blade: Pick<Blade, 'landmark'>,
  hold: ClampPosition,
): Rig['positionMarks'][number] | null {
  if (!blade.landmark) return null
  const at = alongJawsMm(blade.landmark.alongMm, hold)
  return rig.positionMarks.find((mark) => Math.abs(mark.alongMm - at) < ON_MARK_MM) ?? null
}
