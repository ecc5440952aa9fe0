import type { Side } from '../../records/common/side'
import type { Finish } from '../../log/choices'

/** What the scale shows of one side, degrees per side from its zero. */
export interface ShownSide {
  readonly side: Side
  readonly finish: Finish
  /** The brightest middle; of a line its middle. */
  readonly edgeDeg: number
  /** The ends of a line, or of what is bright of a haze; both the middle of a dot. */
  readonly fromDeg: number
  readonly toDeg: number
  /** The spot of the primary face; null where there is none. */
  readonly primaryDeg: number | null
}

export type ShiftBy = 'primaries' | 'not-known'

/** What a side's edge comes to once the shift of the whole pattern is taken out. */
export interface ProvedSide extends ShownSide {
  /** Half-width of the range that holds 95 in 100 such readings, degrees. */
  readonly uncertaintyDeg: number
}

export interface Pattern {
  /** By how much the whole pattern lies towards side A, degrees: taken off A, added to B. */
  readonly shiftDeg: number
  /** By the two primary spots; or nothing tells it, and it may be as large as SHIFT_UNKNOWN_DEG. */
  readonly shiftBy: ShiftBy
  readonly sides: readonly ProvedSide[]
  /** Both sides together; null where one is missing. A shift does not change it. */
  readonly includedDeg: number | null
  readonly includedUncertaintyDeg: number | null
}

/** A blade set by eye stands square to the beam to this, degrees. */
export const SHIFT_UNKNOWN_DEG = 0.5
/** Sides that differ by more than this, beyond what they are known to, are uneven, degrees. */
const UNEVEN_DEG = 0.5

/**
 * What the spots of a blade say of its sides. The blade's own primary faces show how far it stands askew: half the
 * difference of their spots. `readDeg`: half-width of what reading one spot adds, degrees. Source:
 * docs/goniometer.md, "A blade askew to the beam".
 */
export function patternOf(shown: readonly ShownSide[], readDeg: number): Pattern {
  const [a, b] = (['A', 'B'] as const).map((side) => shown.find((one) => one.side === side))
  const [primaryA, primaryB] = [a?.primaryDeg ?? null, b?.primaryDeg ?? null]
  const both = primaryA !== null && primaryB !== null
  const shiftDeg = both ? (primaryA - primaryB) / 2 : 0
  const shiftUncertaintyDeg = both ? readDeg / Math.SQRT2 : SHIFT_UNKNOWN_DEG
  const sides = shown.map((one): ProvedSide => {
    const off = one.side === 'A' ? -shiftDeg : shiftDeg
    return {
      ...one,
      edgeDeg: one.edgeDeg + off,
      fromDeg: one.fromDeg + off,
      toDeg: one.toDeg + off,
      primaryDeg: one.primaryDeg === null ? null : one.primaryDeg + off,
      uncertaintyDeg: Math.hypot(spreadDeg(one), readDeg, shiftUncertaintyDeg),
    }
  })
  return {
    shiftDeg,
    shiftBy: both ? 'primaries' : 'not-known',
    sides,
    includedDeg: a && b ? a.edgeDeg + b.edgeDeg : null,
    includedUncertaintyDeg: a && b ? Math.hypot(spreadDeg(a), spreadDeg(b), Math.SQRT2 * readDeg) : null,
  }
}

/** What the look of a reflection itself leaves open: half its width. */
const spreadDeg = ({ fromDeg, toDeg }: ShownSide): number => Math.abs(toDeg - fromDeg) / 2

/** How much steeper side A is than side B, where that is more than their uncertainty; else null. */
export function unevenBy(pattern: Pattern): number | null {
  const [a, b] = (['A', 'B'] as const).map((side) => pattern.sides.find((one) => one.side === side))
  if (!a || !b) return null
  const off = a.edgeDeg - b.edgeDeg
  return Math.abs(off) > Math.max(UNEVEN_DEG, Math.hypot(a.uncertaintyDeg, b.uncertaintyDeg)) ? off : null
}
