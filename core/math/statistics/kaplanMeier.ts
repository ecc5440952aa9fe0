import { Z95 } from './normal'

/** How long something lasted, or has lasted so far. */
export interface Lifetime {
  readonly time: number
  /** False: it still held when it was last looked at. */
  readonly ended: boolean
}

/** What a curve of survival comes to from a time on, up to the next of its steps. */
export interface SurvivalStep {
  readonly time: number
  /** The share that lasts longer than this, 0 to 1. */
  readonly survival: number
  /** 95% range of the survival. */
  readonly least: number
  readonly most: number
  readonly deviation: number
  /** How many were followed up to here. */
  readonly atRisk: number
}

/**
 * The share that lasts longer than each time at which something ended, in their order; none where nothing has ended.
 * What still held when it was last looked at counts up to then. Range: Greenwood's variance, on the scale of
 * log(−log survival). Source: E. L. Kaplan and P. Meier, J. Amer. Statist. Assoc. 53 (1958) 457.
 */
export function kaplanMeier(lasted: readonly Lifetime[]): SurvivalStep[] {
  const times = [...new Set(lasted.filter(({ ended }) => ended).map(({ time }) => time))].sort((a, b) => a - b)
  let [survival, sum] = [1, 0]
  return times.map((time) => {
    const atRisk = lasted.filter((one) => one.time >= time).length
    const ends = lasted.filter((one) => one.ended && one.time === time).length
    survival *= 1 - ends / atRisk
    sum += ends === atRisk ? 0 : ends / (atRisk * (atRisk - ends))
    if (survival === 0) return { time, survival, least: 0, most: 0, deviation: 0, atRisk }
    const spread = (Z95 * Math.sqrt(sum)) / Math.log(survival)
    return {
      ...{ time, survival, deviation: survival * Math.sqrt(sum), atRisk },
      least: survival ** Math.exp(-spread),
      most: survival ** Math.exp(spread),
    }
  })
}

/**
 * When half of them have ended, with its 95% range: where the curve, and the limits of its range, come down to a half.
 * Null where one does not come down so far: that is not known yet.
 */
export function medianLife(curve: readonly SurvivalStep[]): {
  readonly middle: number | null
  readonly least: number | null
  readonly most: number | null
} {
  const comesDown = (of: (step: SurvivalStep) => number) => curve.find((step) => of(step) <= 0.5)?.time ?? null
  return {
    middle: comesDown(({ survival }) => survival),
    least: comesDown(({ least }) => least),
    most: comesDown(({ most, survival }) => (survival === 0 ? Infinity : most)),
  }
}
