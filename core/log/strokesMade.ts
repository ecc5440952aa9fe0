import { ZONE_KINDS, type ZoneKind } from '../records/blade/zones'
import { perSide, type PerSide } from '../records/common/side'
import type { Strokes } from './entry'

/** All strokes that were told of one stone: full ones, and those of a zone alone. */
export interface StrokesMade {
  /** Null where it was not said. */
  readonly stoneId: string | null
  readonly full: PerSide<number>
  readonly local: readonly (PerSide<number> & { readonly zone: ZoneKind })[]
}

/** The strokes that were told, stone by stone as each was taken up. Strokes: in force, oldest first. */
export function strokesMade(strokes: readonly Strokes[]): StrokesMade[] {
  return [...new Set(strokes.map(({ stoneId }) => stoneId))].map((stoneId) => {
    const made = strokes.filter((one) => one.stoneId === stoneId)
    const countOf = (zone: ZoneKind | null) =>
      perSide((side) => sum(made.filter((one) => one.zone === zone && one.side === side)))
    const local = ZONE_KINDS.map((zone) => ({ zone, ...countOf(zone) })).filter(({ A, B }) => A + B > 0)
    return { stoneId, full: countOf(null), local }
  })
}
const sum = (strokes: readonly Strokes[]): number => strokes.reduce((all, { count }) => all + count, 0)
