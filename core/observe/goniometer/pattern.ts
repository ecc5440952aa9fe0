import type { Side } from '../../records/common/side'
import type { Finish } from '../../log/choices'
import { degrees, radians } from '../../math/units/angle'
import { faceTurnedDeg, shownTurnedDeg, turnedByDeg } from './turned'

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
  /** How far the edge was found to be turned in the beam, and squared since; null where nobody looked. */
  readonly turnedDeg: number | null
  readonly sides: readonly ProvedSide[]
  /** Both sides together; null where one is missing. A shift does not change it. */
  readonly includedDeg: number | null
  readonly includedUncertaintyDeg: number | null
}

/** A blade set by eye stands square to the beam to this, degrees. */
export const SHIFT_UNKNOWN_DEG = 0.5
/** Sides that differ by more than this, beyond what they are known to, are uneven, degrees. */
const UNEVEN_DEG = 0.5

/** An edge set square to the beam by eye, flat in its plane, is so to this, degrees. */
export const TURNED_UNKNOWN_DEG = 5

/** How a pattern was read. */
export interface ReadOn {
  /** Half-width of what reading one spot adds, degrees. */
  readonly readDeg: number
  /** From the edge to a flat screen, and how well that is known, mm; null on a scale that is none. */
  readonly screen: { readonly distanceMm: number; readonly toleranceMm: number } | null
  /** How far the edge's spots stand beside the line of the scale, for each part along it; null: nobody looked. */
  readonly slant: number | null
}

/**
 * What the spots of a blade say of its sides. The blade's own primary faces show how far it stands askew: half the
 * difference of their spots. How far the edge is turned in the beam its own spots show, where they stand beside the
 * scale's line. What the turn and the screen's distance leave open is alike on both sides: it adds up in the included
 * angle. Source: docs/goniometer.md, "A blade askew to the beam".
 */
export function patternOf(shown: readonly ShownSide[], { readDeg, screen, slant }: ReadOn): Pattern {
  const [a, b] = (['A', 'B'] as const).map((side) => shown.find((one) => one.side === side))
  const [primaryA, primaryB] = [a?.primaryDeg ?? null, b?.primaryDeg ?? null]
  const both = primaryA !== null && primaryB !== null
  const shiftDeg = both ? (primaryA - primaryB) / 2 : 0
  const shiftUncertaintyDeg = both ? readDeg / Math.SQRT2 : SHIFT_UNKNOWN_DEG
  const middleDeg = shown.reduce((sum, { edgeDeg }) => sum + edgeDeg, 0) / shown.length
  const turn = turnOf(slant, middleDeg, readDeg)
  const alike = { A: 0, B: 0 }
  const sides = shown.map((one): ProvedSide => {
    const off = one.side === 'A' ? -shiftDeg : shiftDeg
    const square = (deg: number) => faceTurnedDeg(deg + off, turn.deg)
    const edgeDeg = square(one.edgeDeg)
    const turnLeavesDeg = one.edgeDeg + off - shownTurnedDeg(edgeDeg, turn.deg + turn.uncertaintyDeg)
    alike[one.side] = Math.hypot(distanceLeavesDeg(edgeDeg, screen), turnLeavesDeg)
    return {
      ...one,
      edgeDeg,
      fromDeg: square(one.fromDeg),
      toDeg: square(one.toDeg),
      primaryDeg: one.primaryDeg === null ? null : one.primaryDeg + off,
      uncertaintyDeg: Math.hypot(spreadDeg(one), readDeg, shiftUncertaintyDeg, alike[one.side]),
    }
  })
  const [provedA, provedB] = [sides.find(({ side }) => side === 'A'), sides.find(({ side }) => side === 'B')]
  return {
    shiftDeg,
    shiftBy: both ? 'primaries' : 'not-known',
    turnedDeg: slant === null ? null : turn.deg,
    sides,
    includedDeg: provedA && provedB ? provedA.edgeDeg + provedB.edgeDeg : null,
    includedUncertaintyDeg:
      a && b ? Math.hypot(spreadDeg(a), spreadDeg(b), Math.SQRT2 * readDeg, alike.A + alike.B) : null,
  }
}

/** How far an edge is turned in the beam by where its spots stand, and how well that is known, degrees. */
function turnOf(slant: number | null, shownDeg: number, readDeg: number): { deg: number; uncertaintyDeg: number } {
  if (slant === null) return { deg: 0, uncertaintyDeg: TURNED_UNKNOWN_DEG }
  const deg = turnedByDeg(slant, shownDeg)
  const readTo = Math.tan(radians(2 * readDeg)) / Math.tan(radians(2 * shownDeg))
  const most = turnedByDeg(Math.abs(slant) + readTo, shownDeg)
  return { deg, uncertaintyDeg: Number.isFinite(most) ? most - deg : TURNED_UNKNOWN_DEG }
}

/** What a flat screen's distance leaves open of an angle, degrees: half of atan(spot / distance), by the distance. */
const distanceLeavesDeg = (deg: number, screen: ReadOn['screen']): number =>
  screen ? degrees((Math.sin(radians(4 * deg)) / 4) * (screen.toleranceMm / screen.distanceMm)) : 0

/** What the look of a reflection itself leaves open: half its width. */
const spreadDeg = ({ fromDeg, toDeg }: ShownSide): number => Math.abs(toDeg - fromDeg) / 2

/** How much steeper side A is than side B, where that is more than their uncertainty; else null. */
export function unevenBy(pattern: Pattern): number | null {
  const [a, b] = (['A', 'B'] as const).map((side) => pattern.sides.find((one) => one.side === side))
  if (!a || !b) return null
  const off = a.edgeDeg - b.edgeDeg
  return Math.abs(off) > Math.max(UNEVEN_DEG, Math.hypot(a.uncertaintyDeg, b.uncertaintyDeg)) ? off : null
}
