import { nth } from '../../math/list'
import type { Side } from '../../records/common/side'
import { contradictions, type Culprit } from './contradictions'
import type { KnownFace } from './expected'
import { expectFaces } from './expectFaces'
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
  /** What the side should have, where what is surely not that need not be known better; null: find the angle. */
  readonly wantedDeg: number | null
  /** What it is thought to have before anything is known, degrees. */
  readonly thoughtDeg: number
  /** What is known of the blade from before. */
  readonly before: readonly KnownFace[]
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

/** How far what it is thought to have may be off, degrees: a standard deviation. */
const THOUGHT_SIGMA_DEG = 2

/** What all looks at a blade say, and the next one worth its steel on a side. Yields how far it is. */
export function* inkSays(ask: InkAsk): Generator<number, InkSays, void> {
  const { faces, terms, side, candidates, before } = ask
  const places = faces.flatMap(({ side: of, zones }) => zones.map((_, zone) => ({ side: of, zone })))
  const looked = faces.flatMap(({ zones }) => zones)
  const all = expectFaces(looked, places, before, terms)
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
  const opposite = places.map(({ side: of, zone }) => {
    const across = places.findIndex((one) => one.side !== of && one.zone === zone)
    return across < 0 ? null : across
  })
  const against = contradictions(looked, opposite, terms.depthUm).map(({ face, look, culprit }) => ({
    ...nth(places, face),
    look,
    culprit,
  }))
  yield 0.7
  const thought = { deg: ask.thoughtDeg, sigmaDeg: THOUGHT_SIGMA_DEG }
  const expecting = all.map((face) => (face.expected || face.looks.length > 0 ? face : { ...face, expected: thought }))
  const { neededDeg, wantedDeg } = ask
  return {
    found,
    against,
    next: nextSetting(expecting, terms, padded, { neededDeg, wantedDeg, asked: { from: start, count } }),
  }
}
