import { nth } from '../../math/list'
import { secantUnder } from './underStone'
import type { EdgePoint } from '../../math/curve/edgePoints'
import { turningDeg } from '../../math/curve/turning'
import { radians } from '../../math/units/angle'
import { length, subtract } from '../../math/vector/vec2'

/** How deep a flat stone may hang over a hollow's middle before it leaves it untouched, mm. */
const HOLLOW_TOLERANCE_MM = 0.1

export interface Hollow {
  /** The tightest radius of the hollow, and where it is. */
  readonly radiusMm: number
  readonly fromHeelMm: number
  /** The widest flat stone that still reaches into it: √(8 · radius · tolerance). */
  readonly widestStoneMm: number
}

/** Flatter than this is no hollow to the hand. */
const MOST_RADIUS_MM = 2000
/** Curvature is taken over a few millimetres, so that a joint of two pieces does not count as a hollow. */
const OVER_MM = 4
/** A stone as wide as most: over which it does not hang, that is no hollow. */
const USUAL_WIDTH_MM = 25

/**
 * The tightest hollow of an edge; null where it has none over which a usual stone hangs by more than the tolerance.
 * Edge points: even in arc length. Source: docs/geometry.md, "Limits".
 */
export function hollowOf(edgePoints: readonly EdgePoint[], toleranceMm = HOLLOW_TOLERANCE_MM): Hollow | null {
  const bends = turningDeg(edgePoints)
  const step = nth(edgePoints, 1).fromHeelMm - nth(edgePoints, 0).fromHeelMm
  const span = Math.max(1, Math.round(OVER_MM / step))
  let tightest: Hollow | null = null
  for (const [first, last] of hollowStretches(bends)) {
    const hangs = edgePoints
      .slice(first, last + 1)
      .some(
        (place) => length(subtract(secantUnder(edgePoints, place, USUAL_WIDTH_MM).point, place.point)) > toleranceMm,
      )
    if (!hangs) continue
    for (let i = first; i === first || i + span <= last; i++) {
      const until = Math.min(i + span, last)
      const turned = radians(bends.slice(i, until).reduce((sum, deg) => sum + deg, 0))
      const radiusMm = (span * step) / turned
      if (radiusMm > MOST_RADIUS_MM || (tightest && radiusMm >= tightest.radiusMm)) continue
      tightest = {
        radiusMm,
        fromHeelMm: nth(edgePoints, i).fromHeelMm + ((until - i) * step) / 2,
        widestStoneMm: Math.sqrt(8 * radiusMm * toleranceMm),
      }
    }
  }
  return tightest
}

/** Stretches that turn outward all along: from the first bend to the one behind the last. */
function hollowStretches(bends: readonly number[]): [number, number][] {
  const stretches: [number, number][] = []
  bends.forEach((deg, i) => {
    if (!(deg > 0)) return
    const last = stretches.at(-1)
    if (last?.[1] === i) last[1] = i + 1
    else stretches.push([i, i + 1])
  })
  return stretches
}
