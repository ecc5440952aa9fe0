import { INK_PATTERNS, type InkPattern } from '../../log/choices'
import { ALL_FROM, bareBetween } from './exposed'
import { normalCdf } from '../../math/statistics/normal'

/** What a light pass with a fine stone reaches, micrometres. */
export const LIGHT_PASS_UM = [0.4, 4] as const
/** The same with a coarser stone, from this grain on. */
const COARSE_PASS_UM = [1, 10] as const
const COARSE_FROM_UM = 20

/**
 * What light passes with stones of these grains reach, micrometres. Source: docs/ink.md, "How sure a marker test is".
 */
export function lightPassUm(grainsUm: readonly number[]): readonly [least: number, most: number] {
  const ranges = grainsUm.map((grainUm) => (grainUm < COARSE_FROM_UM ? LIGHT_PASS_UM : COARSE_PASS_UM))
  if (ranges.length === 0) return LIGHT_PASS_UM
  return [Math.min(...ranges.map(([least]) => least)), Math.max(...ranges.map(([, most]) => most))]
}

/** Whether passes reach further than light ones do: the hand presses hard, or makes too many of them. */
export const isHeavyHand = (depthUm: number, [, most]: readonly [number, number]): boolean => depthUm > most

/** One look at one face after a light pass. */
export interface InkLook {
  /** The set angle there, degrees per side. */
  readonly setDeg: number
  readonly seen: InkPattern
  /** Share of the face that is bare, from 0 to 1. */
  readonly fraction: number
}

/** Standard deviations of what a hand and an eye add. Source: docs/ink.md, "How sure a marker test is". */
export const FRACTION_SIGMA = 0.07
/** Of the contact depth from look to look, of its logarithm. */
export const DEPTH_SPREAD = 0.3
/** The same with the width of the face, known to 5%, folded in. */
export const DEPTH_SIGMA = Math.hypot(DEPTH_SPREAD, 0.05)
/** Shares are observed in steps of this. */
export const FRACTION_STEP = 0.05
/** An eye takes one pattern for another so often. */
const MISTAKEN = 0.002

/** How likely an eye tells a fraction, in its steps, of a face of which so much is bare. */
function fractionOdds(observed: number, bare: number): number {
  const upTo = (fraction: number) => normalCdf((fraction - bare) / FRACTION_SIGMA)
  const from = observed < 1.5 * FRACTION_STEP ? 0 : upTo(observed - FRACTION_STEP / 2)
  return (observed > ALL_FROM ? 1 : upTo(observed + FRACTION_STEP / 2)) - from
}

/** How likely what was observed is, of a face that looks like this. */
function observationOdds({ seen, fraction }: Pick<InkLook, 'seen' | 'fraction'>, bare: number): number {
  if (seen === 'nothing') return normalCdf((FRACTION_STEP / 2 - bare) / FRACTION_SIGMA)
  if (seen === 'above') return normalCdf((FRACTION_STEP - bare) / FRACTION_SIGMA)
  if (seen === 'all') return 1 - normalCdf((ALL_FROM - bare) / FRACTION_SIGMA)
  return fractionOdds(fraction, bare)
}

export const FRACTION_STEPS = 200

/**
 * How likely a look is: of a face whose angle at the shoulder lies `over` the set one and `grows` to the apex, radians,
 * with the contact depth of that look, in widths of the face.
 */
export type LookOdds = (over: number, grows: number, depth: number) => number

/** How likely a look is. Source: docs/ink.md, "How sure a marker test is". */
export function lookOdds(look: Pick<InkLook, 'seen' | 'fraction'>): LookOdds {
  const { seen } = look
  const table = Float64Array.from(
    { length: FRACTION_STEPS + 1 },
    (_, i) => observationOdds(look, i / FRACTION_STEPS) * (1 - MISTAKEN) + MISTAKEN / INK_PATTERNS.length,
  )
  const never = MISTAKEN / INK_PATTERNS.length
  const flatShows = { shoulder: 1, apex: -1, above: 1, all: 0, nothing: 0, middle: NaN, ends: NaN }[seen]
  return (over, grows, depth) => {
    if (grows === 0) {
      if (!(flatShows * over >= 0)) return never
      return table[Math.round(Math.min(1, depth / Math.abs(over)) * FRACTION_STEPS)]!
    }
    const bend = grows / 2
    const stretch = bareBetween(over, bend, depth)
    const [from, to] = [stretch[0], stretch[1]]
    if (!couldShow(seen, bend < 0, from, to, over + bend)) return never
    return table[Math.round((bend < 0 ? from + 1 - to : to - from) * FRACTION_STEPS)]!
  }
}

/** Whether a curved face with this bare stretch can look like that; `over`: its middle over the set angle. */
function couldShow(seen: InkPattern, hollow: boolean, from: number, to: number, over: number): boolean {
  if (seen === 'nothing' || seen === 'all') return true
  // Only above the shoulder: the stone lies flatter than the face.
  if (seen === 'above') return over > 0
  const [atShoulder, atApex] = hollow ? [from > 0, to < 1] : [from <= 0, to >= 1]
  // Bare all over, but not observed as that: an eye finds the ink that is left on the side that is met last.
  if (hollow ? from >= to : atShoulder && atApex) return seen === (over > 0 ? 'shoulder' : 'apex')
  return seen === (atShoulder && atApex ? 'ends' : atShoulder ? 'shoulder' : atApex ? 'apex' : 'middle')
}

let known: { outcomes: number; rows: readonly Float64Array[] } | null = null
/**
 * How likely each fraction is observed (in its steps, the last "all"), for each bare fraction from 0 to 1 in
 * FRACTION_STEPS parts. Worked out once.
 */
export function shareTable(): { outcomes: number; rows: readonly Float64Array[] } {
  if (known) return known
  const steps = Math.round(1 / FRACTION_STEP)
  const observed = Array.from({ length: steps }, (_, i) => ({
    seen: 'shoulder' as const,
    fraction: (i + 1) * FRACTION_STEP,
  }))
  // The last step and "all" are one: what is bare all over.
  const rows = Array.from({ length: FRACTION_STEPS + 1 }, (_, i) =>
    Float64Array.from(observed, (one) => observationOdds(one, i / FRACTION_STEPS)),
  )
  return (known = { outcomes: steps, rows })
}
