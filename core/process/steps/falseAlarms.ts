import { zLeaving, Z95 } from '../../math/statistics/normal'

/**
 * Of a hundred jobs in which nothing is off by more than its tolerance, so many are asked to find out why a reading
 * differs, and as many why a proof does.
 */
const FALSE_ALARMS = 0.025

/**
 * How many times its ± a figure must be off before it is asked why, where a job has so many figures of its kind, so
 * that all of them together give no more false alarms than that. Source: docs/process.md, "Facts"; Bonferroni.
 */
export function alarmFactor(figures: number): number {
  const factor = known.get(figures) ?? zLeaving(FALSE_ALARMS / figures) / Z95
  known.set(figures, factor)
  return factor
}
const known = new Map<number, number>()
