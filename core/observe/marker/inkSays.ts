import { nth } from '../../math/list'
import type { Side } from '../../records/common/side'
import { contradictions, type Culprit } from './contradictions'
import { findBevel, type BevelFinding, type InkTerms } from './findBevel'
import { nextSetting, type Candidate, type NextLook } from './nextSetting'
import type { LookedAt } from './weigh'

export interface InkAsk {
  /** The faces of each bevelled side, zone by zone. */
  readonly faces: readonly { readonly side: Side; readonly zones: readonly LookedAt[] }[]
  readonly terms: InkTerms
  /** The side a next look is asked for, and the settings there are for it. */
  readonly side: Side
  readonly candidates: readonly Candidate[]
  readonly neededDeg: number
}

export interface InkSays {
  readonly found: Readonly<Partial<Record<Side, BevelFinding>>>
  readonly next: NextLook
  /** Looks that cannot well be true with the others: the side, the zone and the look, each by its number. */
  readonly against: readonly {
    readonly side: Side
    readonly zone: number
    readonly look: number
    readonly culprit: Culprit
  }[]
}

/** What all looks at a blade say, and the next one worth its steel on a side. Yields how far it is. */
export function* inkSays({ faces, terms, side, candidates, neededDeg }: InkAsk): Generator<number, InkSays, void> {
  const all = faces.flatMap(({ zones }) => zones)
  const together = findBevel(all, terms)
  yield 0.5
  let from = 0
  const found = Object.fromEntries(
    faces.map(({ side: of, zones }) => {
      const those = together.faces.slice(from, (from += zones.length))
      return [of, { ...together, faces: those }]
    }),
  )
  // Other sides' looks tell of the hand; only this side's faces ask for a setting.
  const start = faces
    .slice(
      0,
      faces.findIndex((one) => one.side === side),
    )
    .reduce((sum, one) => sum + one.zones.length, 0)
  const count = faces.find((one) => one.side === side)?.zones.length ?? 0
  const padded = candidates.map(({ setDeg }) => ({
    setDeg: all.map((_, i) => (i >= start && i < start + count ? nth(setDeg, i - start) : null)),
  }))
  const places = faces.flatMap(({ side: of, zones }) => zones.map((_, zone) => ({ side: of, zone })))
  const opposite = places.map(({ side: of, zone }) => {
    const across = places.findIndex((one) => one.side !== of && one.zone === zone)
    return across < 0 ? null : across
  })
  const against = contradictions(all, opposite, terms.depthUm).map(({ face, look, culprit }) => ({
    ...nth(places, face),
    look,
    culprit,
  }))
  yield 0.7
  return { found, against, next: nextSetting(all, terms, padded, neededDeg, { from: start, count }) }
}
