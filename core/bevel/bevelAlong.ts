import type { Contact } from '../angle/contact'
import type { Refusal } from '../angle/reasons'
import type { Blade } from '../blade/blade'
import { bladeThere } from '../blade/taper'
import type { Side } from '../clamping/centring'
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
 * Bevel widths along the edge before and after it is ground at the angles that a hold gives: a flatter face runs on
 * into the thicker steel behind the shoulder, a steeper one ends at the shoulder once the apex is worn back so far.
 * `fromHeelMm`: the places of the contacts. Source: docs/geometry.md, "Cross-section".
 */
export function bevelAlong(
  of: Blade,
  side: Side,
  along: readonly (Contact | Refusal)[],
  fromHeelMm: readonly number[],
): BevelThere[] {
  const total = fromHeelMm.at(-1) || 1
  const thereDeg = of.bevelDeg && of.bevelDeg[side]
  const share = of.bevels === 'A' ? 1 : 0.5
  return along.map((contact, i) => {
    const place = fromHeelMm[i]!
    const there = bladeThere(of, place / total)
    const shoulderMm = there.thicknessBehindEdgeMm * share
    const beforeMm = thereDeg === null ? null : bevelWidthMm(shoulderMm, thereDeg)
    return {
      fromHeelMm: place,
      beforeMm,
      afterMm: contact.ok ? after(contact.edgeAngleDeg, shoulderMm, there.primaryHalfAngleDeg) : null,
    }
  })

  function after(newDeg: number, shoulderMm: number, primaryHalfAngleDeg: number): number | null {
    if (thereDeg === null || newDeg >= thereDeg) return bevelWidthMm(shoulderMm, newDeg)
    const section = reprofile({ edgeAngleDeg: thereDeg, shoulderMm, primaryHalfAngleDeg }, newDeg, 0)
    return section.ok ? section.faceWidthMm : null
  }
}
