import { ZONE_KINDS, type ZoneKind } from '../records/blade/zones'
import { perSide, type PerSide } from '../records/common/side'
import { MOST_STROKES, type LogEntry, type Strokes } from './entry'
import { setAlike } from './setAlike'

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
/** Strokes within so long of each other, with nothing between them, are of one sitting. */
const ONE_SITTING_MS = 2 * 3600_000

/**
 * The strokes that further ones go on with: the last thing on their side, of one sitting, with the same stone, zone and
 * setup. Null where they begin anew. Log: the active entries of the job, oldest first.
 */
export function strokesBefore(log: readonly LogEntry[], next: Strokes): Strokes | null {
  const before = log.findLast((entry) => !('side' in entry) || entry.side === null || entry.side === next.side)
  if (before?.kind !== 'strokes' || before.stoneId !== next.stoneId || before.zone !== next.zone) return null
  if (Date.parse(next.at) - Date.parse(before.at) > ONE_SITTING_MS) return null
  if (!before.setup || !next.setup || !setAlike(before.setup, next.setup, next.side)) return null
  if (before.setup.forMicroBevel !== next.setup.forMicroBevel) return null
  return before.count + next.count <= MOST_STROKES ? before : null
}

const sum = (strokes: readonly Strokes[]): number => strokes.reduce((all, { count }) => all + count, 0)
