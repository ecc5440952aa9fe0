/** What one zone of a practice blade came to. */
export interface ZoneOutcome {
  readonly name: string
  /** What the ink can tell on this rig: the hidden angle less what the rig sets more than it says, degrees. */
  readonly truthDeg: number
  /** The middle of what was found; null where nobody looked. */
  readonly foundDeg: number | null
}

/** A look as it was told, and what an eye that errs in nothing would have told. */
export interface ToldAgainst {
  readonly zone: string
  readonly told: { readonly seen: string; readonly share: number }
  readonly shown: { readonly seen: string; readonly share: number }
}

export interface PracticeOutcome {
  readonly zones: readonly ZoneOutcome[]
  readonly told: readonly ToldAgainst[]
  readonly looks: number
  /** What following the advice would have taken on the same blade. */
  readonly advisedLooks: number
}

export type LossReason = 'off' | 'not-looked-at' | 'mistold-pattern' | 'mistold-share' | 'looks'

/** Points that were lost, and for what. */
export interface Loss {
  readonly reason: LossReason
  readonly points: number
  readonly zone: string | null
  /** Degrees off for 'off', looks too many for 'looks', share off for 'mistold-share'; else 0. */
  readonly by: number
}

export interface Score {
  readonly points: number
  readonly lost: readonly Loss[]
}

const FULL = 100
const GOOD_DEG = 0.5
const POINTS = { perHalfDegree: 10, mostPerZone: 30, notLookedAt: 30, pattern: 5, share: 2, look: 5 } as const
const SHARE_OFF = 0.15

/**
 * The score of a practice, of 100: each zone to half a degree in as few looks as the advice takes, every look told as
 * it was. Never below nothing. Source: docs/ink.md, "Practice".
 */
export function scoreOf({ zones, told, looks, advisedLooks }: PracticeOutcome): Score {
  const lost: Loss[] = []
  for (const { name, truthDeg, foundDeg } of zones) {
    if (foundDeg === null) {
      lost.push({ reason: 'not-looked-at', points: POINTS.notLookedAt, zone: name, by: 0 })
      continue
    }
    const by = foundDeg - truthDeg
    const halves = Math.ceil(Math.abs(by) / GOOD_DEG - 1e-9) - 1
    if (halves > 0)
      lost.push({ reason: 'off', points: Math.min(POINTS.mostPerZone, halves * POINTS.perHalfDegree), zone: name, by })
  }
  for (const one of told) {
    const off = Math.abs(one.told.share - one.shown.share)
    if (one.told.seen !== one.shown.seen && off > SHARE_OFF / 2)
      lost.push({ reason: 'mistold-pattern', points: POINTS.pattern, zone: one.zone, by: 0 })
    else if (off > SHARE_OFF) lost.push({ reason: 'mistold-share', points: POINTS.share, zone: one.zone, by: off })
  }
  const tooMany = looks - advisedLooks
  if (tooMany > 0) lost.push({ reason: 'looks', points: tooMany * POINTS.look, zone: null, by: tooMany })
  return { points: Math.max(0, FULL - lost.reduce((sum, { points }) => sum + points, 0)), lost }
}
