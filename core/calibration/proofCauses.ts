import { SIDES, type Side } from '../clamping/centring'
import type { DoubtShare } from '../doubt/budget'
import type { MeasureId } from '../doubt/measures'

/** What would explain that the steel has another angle than was set. */
export type ProofCause =
  /** Nobody saw that the bevel came through to the apex there: an older angle is still at the edge. */
  | { readonly by: 'not-to-apex'; readonly sides: readonly Side[] }
  /** A measure is off by so much, which is so many times its tolerance; what it leaves open. */
  | {
      readonly by: 'measure'
      readonly measure: MeasureId
      readonly unit: 'mm' | 'deg'
      readonly off: number
      readonly times: number
      readonly leavesDeg: number
    }

export interface ProvedAgainstSet {
  /** The steel less the set angle, degrees. */
  readonly differsDeg: number
  /** Half-width of the proof alone, degrees. */
  readonly doubtDeg: number
  readonly budget: readonly DoubtShare[]
  /** What was said of the apex. */
  readonly toApex: boolean | null
}

/** Half-widths that hold 95 in 100, in standard deviations. */
const HALF_WIDTHS = 1.96
/** One cause explains a difference where it leaves no more than so many doubts of the proof. */
const LEAVES = 1.5
/** What would have to be off by more of its tolerances is no explanation. */
const MOST_TIMES = 5

/**
 * Single causes of a difference between what is proved and what is set, the likeliest first: an apex that was not
 * reached, then each measure by how far it would have to be off, in its tolerances, and how well that fits both sides.
 * Empty where nothing differs beyond the doubt of the proofs. Source: docs/calibration.md, "Why proved and set differ".
 */
export function proofCauses(of: Readonly<Partial<Record<Side, ProvedAgainstSet>>>): ProofCause[] {
  const sides = SIDES.flatMap((side) => (of[side] ? [{ side, ...of[side] }] : []))
  const differ = sides.filter(({ differsDeg, doubtDeg }) => Math.abs(differsDeg) > doubtDeg)
  if (differ.length === 0) return []
  const notThrough = differ.filter(({ toApex }) => toApex !== true).map(({ side }) => side)
  const ids = [...new Set(sides.flatMap(({ budget }) => budget.map(({ id }) => id)))]
  const measures = ids.flatMap((id) => {
    const shares = sides.map(({ budget }) => budget.find((share) => share.id === id))
    const known = shares.find((share) => share !== undefined)!
    const sigma = known.tolerance / HALF_WIDTHS
    const rows = sides.map(({ differsDeg, doubtDeg }, i) => ({
      slope: shares[i]?.perUnitDeg ?? 0,
      differsDeg,
      doubtDeg,
      weight: (HALF_WIDTHS / doubtDeg) ** 2,
    }))
    const square = rows.reduce((sum, { slope, weight }) => sum + weight * slope ** 2, 0)
    if (square < 1e-6) return []
    const off = rows.reduce((sum, { slope, weight, differsDeg }) => sum + weight * slope * differsDeg, 0) / square
    const left = rows.map(({ differsDeg, slope }) => Math.abs(differsDeg - slope * off))
    if (left.some((deg, i) => deg > LEAVES * rows[i]!.doubtDeg)) return []
    const against = (off / sigma) ** 2 + left.reduce((sum, deg, i) => sum + rows[i]!.weight * deg ** 2, 0)
    const times = Math.abs(off) / known.tolerance
    if (times > MOST_TIMES) return []
    return [
      { against, cause: { by: 'measure', measure: id, unit: known.unit, off, times, leavesDeg: Math.max(...left) } },
    ] as { against: number; cause: ProofCause }[]
  })
  return [
    ...(notThrough.length > 0 ? [{ by: 'not-to-apex' as const, sides: notThrough }] : []),
    ...measures.sort((a, b) => a.against - b.against).map(({ cause }) => cause),
  ]
}
