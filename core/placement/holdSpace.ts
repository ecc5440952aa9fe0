import type { ClampPosition } from '../records/job/clampPosition'
import { bladeXOnMark } from '../geometry/hold/landmark'

/**
 * Where the blade may be held: a stretch along it, a range of turns, and how deep (each depth a stop, or one of a
 * range).
 */
export interface PlacementRange {
  readonly bladeXMm: readonly [number, number]
  /**
   * Where the place along the blade is bound to marks of the jaws: those, and how far the blade's landmark is from its
   * heel. Null: anywhere.
   */
  readonly onMarks: { readonly landmarkMm: number; readonly marksMm: readonly number[] } | null
  readonly turnDeg: readonly [number, number]
  readonly depthsMm: readonly number[]
  /** Where every depth is possible: from, to. Null where there are only the stops. */
  readonly freeDepthMm: readonly [number, number] | null
}

/** What a way of holding the blade comes to at the pivot height that suits it best. */
export interface Judgement {
  readonly pivotHeightMm: number
  /** Of the other side, where that is held as well and has a dial of its own. */
  readonly otherHeightMm?: number
  /** What is to be small: the greatest deviation (degrees), or the steel taken off (mm²). */
  readonly cost: number
}

/** Where the pivot stands, on either side. */
export type PivotHeights = Pick<Judgement, 'pivotHeightMm' | 'otherHeightMm'>

/** The best that a way of holding the blade can do; on a plate with the best slot of those that are allowed. */
export type Judge = (hold: ClampPosition, isAllowed?: (one: Judgement) => boolean) => Judgement | null

export interface Placement extends Judgement {
  readonly hold: ClampPosition
}

export interface PlacementAsk {
  /** As it is held now: centring and tilt stay. */
  readonly hold: ClampPosition
  readonly range: PlacementRange
  /** Null where the stone cannot lie on all of the edge. */
  readonly judge: Judge
  /** Where it is only asked whether some hold costs no more than this: the first that does ends the search. */
  readonly enough?: number
  /** Whether a blade can be held so with the pivot there; by default always. */
  readonly allowed?: (hold: ClampPosition, at: PivotHeights) => boolean
}

/** A hold that was tried, and its place: bladeX, or on marks what bladeX is without a turn. */
export interface Tried extends Placement {
  readonly place: number
}

/** All ways of holding a blade that can be tried, by place, turn (degrees) and depth (mm). */
export interface HoldSpace {
  readonly range: PlacementRange
  /** The places and turns of the map. */
  readonly places: readonly number[]
  readonly turns: readonly number[]
  /**
   * Null where the stone cannot lie on all of the edge, where the blade cannot be held so, or where that costs no less
   * than `below`: whether it can be held is then not asked.
   */
  readonly at: (place: number, turnDeg: number, bladeYMm: number, below?: number) => Tried | null
}

const MAP = { along: 33, turns: 17 } as const
/** Finer than this no hold is told from another. */
export const FINE = { mm: 0.002, deg: 0.002 } as const

/** The places and turns of a range that a map has. */
export const spreadOver = ({ bladeXMm, onMarks, turnDeg }: PlacementRange): Pick<HoldSpace, 'places' | 'turns'> => ({
  places: onMarks
    ? onMarks.marksMm.map((mark) => onMarks.landmarkMm - mark).sort((a, b) => a - b)
    : spread(bladeXMm, MAP.along),
  turns: spread(turnDeg, MAP.turns),
})

/** The holds that a search can try. */
export function holdSpace({ hold: now, range, judge, allowed = () => true }: PlacementAsk): HoldSpace {
  const { onMarks } = range
  return {
    range,
    ...spreadOver(range),
    at: (place, turnDeg, bladeYMm, below = Infinity) => {
      const bladeXMm = onMarks ? bladeXOnMark(onMarks.landmarkMm, onMarks.landmarkMm - place, turnDeg) : place
      const hold = { ...now, bladeXMm, bladeYMm, turnDeg }
      let free: Judgement | null = null
      const isAllowed = (one: Judgement) => {
        const is = one.cost < below && allowed(hold, one)
        if (is) free = one
        return is
      }
      const judged = judge(hold, isAllowed)
      return judged && (judged === free || isAllowed(judged)) ? { hold, ...judged, place } : null
    },
  }
}

const spread = ([from, to]: readonly [number, number], count: number): number[] =>
  to > from ? Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1)) : [from]
