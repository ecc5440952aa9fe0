import { GRIP_TROUBLES } from '../geometry/hold/grip'
import { spreadOver, type PivotHeights, type PlacementAsk } from './holdSpace'
import type { HoldTrouble } from './holdLimits'

/** What stands against holding a blade: that, or the stone cannot come down to all of what counts. */
export type NoHold = HoldTrouble | 'no-angle'

/** Troubles of the jaws' own grip say why only where no place in the jaws is free of them. */
const OF_THE_GRIP: readonly NoHold[] = GRIP_TROUBLES
const MOST_REASONS = 2

/**
 * Why a blade can be held nowhere in a range: the most frequent of what stands against the holds of the map, no more
 * than two; none where one of them is free. Source: docs/geometry.md, "An even angle".
 */
export function whyNone(
  { hold: now, range, judge }: PlacementAsk,
  trouble: (hold: PlacementAsk['hold'], at: PivotHeights) => HoldTrouble | null,
): NoHold[] {
  const counts = new Map<NoHold, number>()
  const { places, turns } = spreadOver(range)
  for (const bladeYMm of range.depthsMm) {
    for (const turnDeg of turns) {
      for (const place of places) {
        const hold = { ...now, bladeXMm: place, bladeYMm, turnDeg }
        const judged = judge(hold)
        // What the grip says does not depend on the height.
        const found = trouble(hold, judged ?? { pivotHeightMm: 0 })
        const why = judged || (found && OF_THE_GRIP.includes(found)) ? found : 'no-angle'
        if (!why) return []
        counts.set(why, (counts.get(why) ?? 0) + 1)
      }
    }
  }
  const all = [...counts].sort(([, a], [, b]) => b - a).map(([why]) => why)
  const gripped = all.filter((why) => !OF_THE_GRIP.includes(why))
  return (gripped.length > 0 ? gripped : all).slice(0, MOST_REASONS)
}
