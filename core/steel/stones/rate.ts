/** What a stone did on a job: the steel it took off, mm³, and the full strokes that it took. */
export interface StoneJob {
  readonly removedMm3: number
  readonly strokes: number
}

/** How much steel a stone takes with a full stroke, log-normal: the middle, mm³, and how well that is known. */
export interface StoneRate {
  readonly mm3PerStroke: number
  /** Standard deviation of its natural logarithm. */
  readonly deviationLn: number
  /** From so many jobs of its own. */
  readonly jobs: number
}

/** From one value to another, between which 90 of 100 lie, and the middle. */
export interface Range90 {
  readonly least: number
  readonly middle: number
  readonly most: number
}

/** Steel of a full stroke before anything is known of a stone, mm³ for each micrometre of grain. */
const MM3_PER_UM = 2e-4
/** Stones of one grain differ by this before anything is known of them, and counts of one stone by that, as ln. */
const STONES_DIFFER_LN = 1
const COUNTS_DIFFER_LN = 0.3
/** 90 of 100 lie within so many standard deviations. */
const Z90 = 1.6449

/**
 * What a stone takes with a full stroke, from its grain, µm, and its own jobs: the mean of their logarithms against
 * that of all stones, each by its precision. Source: conjugate normal; docs/stones.md.
 */
export function stoneRate(grainUm: number, jobs: readonly StoneJob[]): StoneRate {
  const told = jobs.filter(({ removedMm3, strokes }) => removedMm3 > 0 && strokes > 0)
  const [before, each] = [1 / STONES_DIFFER_LN ** 2, 1 / COUNTS_DIFFER_LN ** 2]
  const precision = before + told.length * each
  const sum = told.reduce((all, { removedMm3, strokes }) => all + each * Math.log(removedMm3 / strokes), 0)
  const mean = (before * Math.log(MM3_PER_UM * grainUm) + sum) / precision
  return { mm3PerStroke: Math.exp(mean), deviationLn: Math.sqrt(1 / precision), jobs: told.length }
}

/**
 * The strokes that a stone needs to take so much steel off, mm³: as well as its rate and the steel are known
 * (`steelLn`: standard deviation of its logarithm) and counts repeat.
 */
export function strokesToRemove(removedMm3: number, { mm3PerStroke, deviationLn }: StoneRate, steelLn = 0): Range90 {
  const middle = removedMm3 / mm3PerStroke
  const factor = Math.exp(Z90 * Math.hypot(deviationLn, COUNTS_DIFFER_LN, steelLn))
  return { least: middle / factor, middle, most: middle * factor }
}
