import type { Side } from '../../records/common/side'
import type { PracticeOutcome } from './outcome'

export type LossReason = 'off' | 'not-looked-at' | 'misjudged-pattern' | 'misjudged-fraction' | 'passes'

/** Points that were lost, and for what. */
export interface Loss {
  readonly reason: LossReason
  readonly points: number
  /** Where; null where it is about all of them. */
  readonly at: { readonly side: Side; readonly zone: string } | null
  /** Degrees off for 'off', passes too many for 'passes', fraction off for 'misjudged-fraction'; else 0. */
  readonly by: number
}

export interface Score {
  readonly points: number
  readonly lost: readonly Loss[]
}

const FULL = 100
const GOOD_DEG = 0.5
const POINTS = { perHalfDegree: 10, mostPerZone: 30, notLookedAt: 30, pattern: 5, fraction: 2, pass: 5 } as const
const FRACTION_OFF = 0.15

/**
 * The score of a practice, of 100: each zone to half a degree in as few passes as the advice takes, every one told as
 * it was. Never below nothing. Source: docs/ink.md, "Practice".
 */
export function scoreOf({ zones, observed }: PracticeOutcome, passes: number, advisedPasses: number): Score {
  const lost: Loss[] = []
  for (const { side, zone, truthDeg, foundDeg } of zones) {
    const at = { side, zone }
    if (foundDeg === null) {
      lost.push({ reason: 'not-looked-at', points: POINTS.notLookedAt, at, by: 0 })
      continue
    }
    const by = foundDeg - truthDeg
    const halves = Math.ceil(Math.abs(by) / GOOD_DEG - 1e-9) - 1
    if (halves > 0) {
      const points = Math.min(POINTS.mostPerZone, halves * POINTS.perHalfDegree)
      lost.push({ reason: 'off', points, at, by })
    }
  }
  for (const { side, zone, observed: said, shown } of observed) {
    const at = { side, zone }
    const off = Math.abs(said.fraction - shown.fraction)
    if (said.seen !== shown.pattern && off > FRACTION_OFF / 2)
      lost.push({ reason: 'misjudged-pattern', points: POINTS.pattern, at, by: 0 })
    else if (off > FRACTION_OFF) lost.push({ reason: 'misjudged-fraction', points: POINTS.fraction, at, by: off })
  }
  const tooMany = passes - advisedPasses
  if (tooMany > 0) lost.push({ reason: 'passes', points: tooMany * POINTS.pass, at: null, by: tooMany })
  return { points: Math.max(0, FULL - lost.reduce((sum, { points }) => sum + points, 0)), lost }
}
