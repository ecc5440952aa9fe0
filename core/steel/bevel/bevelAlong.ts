import { nth } from '../../math/list'
import type { Contact } from '../../geometry/contact/contact'
import type { Refusal } from '../../schema/refusal'
import type { Blade } from '../../records/blade/blade'
import { bevelThicknessMm } from '../../records/blade/bevelThickness'
import { asThickAs } from '../../records/blade/taper'
import type { Side } from '../../records/common/side'
import { bevelSectionOf } from './bevelSectionOf'
import { bevelWidthMm } from './bevelWidth'
import { reprofile } from './reprofile'

/** The bevel at one place of the edge on one side, mm. */
export interface BevelThere {
  readonly fromHeelMm: number
  /** As it is; null where the bevel that is there is not known. */
  readonly beforeMm: number | null
  /** Once the new face has replaced the old bevel; null where there is no angle, or none that ends on the blade. */
  readonly afterMm: number | null
}

/**
 * Bevel widths along the edge before and after it is ground at the angles that a hold gives. `fromHeelMm`: the places
 * of the contacts.
 */
export function bevelAlong(
  of: Blade,
  side: Side,
  along: readonly (Contact | Refusal)[],
  fromHeelMm: readonly number[],
): BevelThere[] {
  const total = fromHeelMm.at(-1) || 1
  return along.map((contact, i) => ({
    fromHeelMm: nth(fromHeelMm, i),
    ...bevelAt(of, side, nth(fromHeelMm, i) / total, contact.ok ? contact.edgeAngleDeg : null),
  }))
}

/**
 * Widths of the bevel at a share of the edge, before and after it is ground at an angle: a flatter face runs on into
 * the thicker steel behind the shoulder, a steeper one ends at the shoulder once the apex is worn back so far. Source:
 * docs/geometry.md, "Cross-section".
 */
export function bevelAt(
  of: Blade,
  side: Side,
  share: number,
  newDeg: number | null,
): Pick<BevelThere, 'beforeMm' | 'afterMm'> {
  const there = asThickAs(of, share)
  const shoulderMm = bevelThicknessMm(there)
  const thereDeg = of.bevelDeg && of.bevelDeg[side]
  return { beforeMm: thereDeg === null ? null : bevelWidthMm(shoulderMm, thereDeg), afterMm: after() }

  function after(): number | null {
    if (newDeg === null) return null
    if (thereDeg === null || newDeg >= thereDeg) return bevelWidthMm(shoulderMm, newDeg)
    const section = reprofile(bevelSectionOf(there, side, thereDeg), newDeg, 0)
    return section.ok ? section.faceWidthMm : null
  }
}
