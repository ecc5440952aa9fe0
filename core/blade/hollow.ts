import type { Station } from '../curve/stations'
import { turningDeg } from '../curve/turning'

/** How deep a flat stone may hang over a hollow's middle before it leaves it untouched, mm. */
export const HOLLOW_TOLERANCE_MM = 0.1

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

/**
 * The tightest hollow of an edge; null where it has none. Stations: even in arc length. Source: docs/geometry.md,
 * "Limits".
 */
export function hollowOf(stations: readonly Station[], toleranceMm = HOLLOW_TOLERANCE_MM): Hollow | null {
  const bends = turningDeg(stations)
  const step = stations[1]!.fromHeelMm - stations[0]!.fromHeelMm
  const span = Math.max(1, Math.round(OVER_MM / step))
  let tightest: Hollow | null = null
  for (let i = 0; i + span <= bends.length; i++) {
    const turned = bends.slice(i, i + span).reduce((sum, deg) => sum + deg, 0)
    if (turned <= 0) continue
    const radiusMm = (span * step) / ((turned * Math.PI) / 180)
    if (radiusMm > MOST_RADIUS_MM || (tightest && radiusMm >= tightest.radiusMm)) continue
    tightest = {
      radiusMm,
      fromHeelMm: stations[i]!.fromHeelMm + (span * step) / 2,
      widestStoneMm: Math.sqrt(8 * radiusMm * toleranceMm),
    }
  }
  return tightest
}
