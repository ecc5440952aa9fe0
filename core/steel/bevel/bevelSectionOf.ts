import { bevelThicknessMm } from '../../records/blade/bevelThickness'
import type { Blade } from '../../records/blade/blade'
import { bowMm } from '../../records/blade/crossSection'
import { primaryFaceDeg } from '../../records/blade/primaryFace'
import type { Side } from '../../records/common/side'
import { radians } from '../../math/units/angle'
import type { BevelSection } from './reprofile'

/**
 * One side of a blade's section with a bevel at an angle, as it is drawn: the whole taper on the flank of a blade that
 * is bevelled on one side, hollow and convex grinds as their curves. Source: docs/geometry.md, "Cross-section".
 */
export function bevelSectionOf(of: Blade, side: Side, edgeAngleDeg: number): BevelSection {
  const shoulderMm = bevelThicknessMm(of)
  const primaryHalfAngleDeg = Math.max(0, primaryFaceDeg(of, side))
  const gainsMm = (of.bevels === 'A' ? of.spineThicknessMm : of.spineThicknessMm / 2) - shoulderMm
  const bow = bowMm(of.grind, gainsMm)
  const plain = { edgeAngleDeg, shoulderMm, primaryHalfAngleDeg }
  if (bow === 0 || primaryHalfAngleDeg === 0) return plain
  return { ...plain, face: { lengthMm: gainsMm / Math.tan(radians(primaryHalfAngleDeg)), bowMm: bow } }
}
