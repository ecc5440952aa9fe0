import { clamp } from '../../math/units/figures'

/** As near as this, degrees, what is there is as good as what is wanted. */
export const CLOSE_DEG = 0.75
/** What is followed is to be known so well, degrees. */
const FOLLOWED_DEG = 1
/** What is ground away is to be known so well, degrees, and to this share of how far off it is. */
const GROUND_AWAY = { deg: 1.5, share: 0.75 }

/**
 * How well each face of a side must be known to decide about its bevel, degrees: the half-width of its uncertainty. The
 * further their mean lies from the border of what is close, the less; but what is off stays surely off. `meansDeg`: of
 * each face that is known. `neededDeg`: to find the angle itself, and never better than that. Source: docs/ink.md, "The
 * next setting".
 */
export function neededToDecide(meansDeg: readonly number[], wantedDeg: number, neededDeg: number): number {
  if (meansDeg.length === 0) return neededDeg
  const offDeg = Math.abs(meansDeg.reduce((sum, deg) => sum + deg, 0) / meansDeg.length - wantedDeg)
  const toBorderDeg = Math.abs(offDeg - CLOSE_DEG) * Math.sqrt(meansDeg.length)
  const most = offDeg <= CLOSE_DEG ? FOLLOWED_DEG : Math.min(GROUND_AWAY.deg, GROUND_AWAY.share * offDeg)
  return Math.max(neededDeg, clamp(toBorderDeg, [Math.min(CLOSE_DEG, most), most]))
}
