import { INK_PATTERNS, type InkPattern } from '../../log/choices'
import { ALL_FROM, bareBetween } from './bared'

/** What a light pass with a fine stone reaches, micrometres. */
export const LIGHT_PASS_UM = [0.4, 4] as const
/** The same with a coarser stone, from this grain on. */
const COARSE_PASS_UM = [1, 10] as const
const COARSE_FROM_UM = 20

/** What light passes with stones of these grains reach, micrometres. Source: docs/ink.md, "How sure a look is". */
export function lightPassUm(grainsUm: readonly number[]): readonly [least: number, most: number] {
  const ranges = grainsUm.map((grainUm) => (grainUm < COARSE_FROM_UM ? LIGHT_PASS_UM : COARSE_PASS_UM))
  if (ranges.length === 0) return LIGHT_PASS_UM
  return [Math.min(...ranges.map(([least]) => least)), Math.max(...ranges.map(([, most]) => most))]
}

/** One look at one face after a light pass. */
export interface InkLook {
  /** The set angle there, degrees per side. */
  readonly setDeg: number
  readonly seen: InkPattern
  /** Share of the face that is bare, from 0 to 1. */
  readonly share: number
}

/** Standard deviations of what a hand and an eye add. Source: docs/ink.md, "How sure a look is". */
export const SHARE_SIGMA = 0.07
/** Of the contact depth from look to look, of its logarithm. */
export const DEPTH_SPREAD = 0.3
/** The same with the width of the face, known to 5%, folded in. */
export const DEPTH_SIGMA = Math.hypot(DEPTH_SPREAD, 0.05)
/** Shares are told in steps of this. */
export const SHARE_STEP = 0.05
/** An eye takes one pattern for another so often. */
const MISTAKEN = 0.002

/** The normal distribution up to z. Source: Abramowitz and Stegun, 7.1.26. */
export function normalUpTo(z: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(z)) / Math.SQRT2)
  const series = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const above = (series * Math.exp((-z * z) / 2)) / 2
  return z < 0 ? above : 1 - above
}

/** How likely an eye tells a share, in its steps, of a face of which so much is bare. */
function shareOdds(told: number, bare: number): number {
  const upTo = (share: number) => normalUpTo((share - bare) / SHARE_SIGMA)
  const from = told < 1.5 * SHARE_STEP ? 0 : upTo(told - SHARE_STEP / 2)
  return (told > ALL_FROM ? 1 : upTo(told + SHARE_STEP / 2)) - from
}

/** How likely what was told is, of a face that looks like this. */
function toldOdds({ seen, share }: Pick<InkLook, 'seen' | 'share'>, bare: number): number {
  if (seen === 'nothing') return normalUpTo((SHARE_STEP / 2 - bare) / SHARE_SIGMA)
  if (seen === 'above') return normalUpTo((SHARE_STEP - bare) / SHARE_SIGMA)
  if (seen === 'all') return 1 - normalUpTo((ALL_FROM - bare) / SHARE_SIGMA)
  return shareOdds(share, bare)
}

export const SHARES = 200

/**
 * How likely a look is: of a face whose angle at the shoulder lies `over` the set one and `grows` to the apex, radians,
 * with the contact depth of that look, in widths of the face.
 */
export type LookOdds = (over: number, grows: number, depth: number) => number

/** How likely a look is. Source: docs/ink.md, "How sure a look is". */
export function lookOdds(look: Pick<InkLook, 'seen' | 'share'>): LookOdds {
  const { seen } = look
  const table = Float64Array.from(
    { length: SHARES + 1 },
    (_, i) => toldOdds(look, i / SHARES) * (1 - MISTAKEN) + MISTAKEN / INK_PATTERNS.length,
  )
  const never = MISTAKEN / INK_PATTERNS.length
  const flatShows = { shoulder: 1, apex: -1, above: 1, all: 0, nothing: 0, middle: NaN, ends: NaN }[seen]
  return (over, grows, depth) => {
    if (grows === 0) {
      if (!(flatShows * over >= 0)) return never
      return table[Math.round(Math.min(1, depth / Math.abs(over)) * SHARES)]!
    }
    const bend = grows / 2
    const stretch = bareBetween(over, bend, depth)
    const [from, to] = [stretch[0], stretch[1]]
    if (!couldShow(seen, bend < 0, from, to, over + bend)) return never
    return table[Math.round((bend < 0 ? from + 1 - to : to - from) * SHARES)]!
  }
}

/** Whether a curved face with this bare stretch can look like that; `over`: its middle over the set angle. */
function couldShow(seen: InkPattern, hollow: boolean, from: number, to: number, over: number): boolean {
  if (seen === 'nothing' || seen === 'all') return true
  // Only above the shoulder: the stone lies flatter than the face.
  if (seen === 'above') return over > 0
  const [atShoulder, atApex] = hollow ? [from > 0, to < 1] : [from <= 0, to >= 1]
  // Bare all over, but not told as that: an eye finds the ink that is left on the side that is met last.
  if (hollow ? from >= to : atShoulder && atApex) return seen === (over > 0 ? 'shoulder' : 'apex')
  return seen === (atShoulder && atApex ? 'ends' : atShoulder ? 'shoulder' : atApex ? 'apex' : 'middle')
}

let known: { outcomes: number; rows: readonly Float64Array[] } | null = null
/**
 * How likely each share is told (in its steps, the last "all"), for each bare share from 0 to 1 in SHARES parts.
 * Worked out once.
 */
export function shareTable(): { outcomes: number; rows: readonly Float64Array[] } {
  if (known) return known
  const steps = Math.round(1 / SHARE_STEP)
  const told = Array.from({ length: steps }, (_, i) => ({ seen: 'shoulder' as const, share: (i + 1) * SHARE_STEP }))
  // The last step and "all" are one: what is bare all over.
  const rows = Array.from({ length: SHARES + 1 }, (_, i) => Float64Array.from(told, (one) => toldOdds(one, i / SHARES)))
  return (known = { outcomes: steps, rows })
}
