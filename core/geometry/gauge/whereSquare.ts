import type { Contact } from '../contact/contact'
import type { Refusal } from '../../schema/refusal'
import { radians } from '../../math/units/angle'
import { dot, subtract, type Vec2 } from '../../math/vector/vec2'

/** A stretch of the edge, arc length from the heel, mm. */
export interface Stretch {
  readonly fromMm: number
  readonly toMm: number
}

/** Nearer to square than this the gauge reads the edge angle to a hundredth of a degree on any rig. */
const SQUARE_MM = 0.05

/**
 * The places of the edge at which the rod stands square to it, so that a gauge on the stone reads the edge angle
 * itself: single places, or stretches where the pivot slides along. Contacts: along the edge from heel to tip. Empty
 * where there is none. Source: docs/geometry.md, "What a level gauge reads".
 */
export function whereSquare(along: readonly (Contact | Refusal)[]): Stretch[] {
  const found: Stretch[] = []
  let before: { at: number; off: number; outward: Vec2 } | null = null
  for (const contact of along) {
    if (!contact.ok) {
      before = null
      continue
    }
    const now = { at: contact.fromHeelMm, off: alongTangent(contact), outward: contact.outward }
    if (Math.abs(now.off) <= SQUARE_MM) extend(found, now.at, before?.at)
    else if (before && Math.abs(before.off) > SQUARE_MM && before.off > 0 !== now.off > 0 && goesOn(before, now)) {
      const place = before.at + (before.off / (before.off - now.off)) * (now.at - before.at)
      found.push({ fromMm: place, toMm: place })
    }
    before = now
  }
  return found
}

/** Neighbouring places of a curve differ less in their tangents; two facets more, degrees. */
const CORNER_DEG = 4
/** Between two facets the tangent jumps: the rod is square to neither, whatever lies between. */
const goesOn = (a: { outward: Vec2 }, b: { outward: Vec2 }): boolean =>
  dot(a.outward, b.outward) > Math.cos(radians(CORNER_DEG))

/** How far the contact lies along the edge's tangent from the pivot's foot: nothing where the rod is square. */
export const alongTangent = (contact: Contact): number =>
  dot(subtract(contact.point, contact.foot), [contact.outward[1], -contact.outward[0]])

function extend(found: Stretch[], atMm: number, beforeMm: number | undefined): void {
  const last = found.at(-1)
  if (last && last.toMm === beforeMm) found[found.length - 1] = { ...last, toMm: atMm }
  else found.push({ fromMm: atMm, toMm: atMm })
}
