import { nth } from '../../math/list'
import type { InkLook } from './look'
import { depthOdds, evidenceWith, type DepthRange, type LookedAt } from './weigh'

/** What most likely went wrong with a look that does not go with the others. */
export type Culprit = 'side-mixed-up' | 'pressed-hard' | 'blade-moved' | 'ink-wiped' | 'dished-stone' | 'misjudged'

/** A look at a face that can hardly be true together with the others. */
export interface Contradiction {
  readonly face: number
  /** Of the face's looks. */
  readonly look: number
  readonly culprit: Culprit
}

/** Looks that are less likely than this, the others being true, are pointed out: a right one hardly ever is. */
const UNLIKELY = 6e-4
/** Of looks that fit nearly as badly the newest is asked for again: so much more likely is as badly. */
const AS_BADLY = 3
/** A look fits the other side, or a harder pass, where it is so likely there: a right one is likelier still. */
const FITS = 0.02
/** A hard pass reaches so many times as deep as a light one, and bares as much more. */
const HARD = 4

/**
 * Looks that cannot well be true together, each with the likeliest culprit: of those at a face, the one that fits the
 * others least, the newest where two fit as badly. `opposite`: for each face the number of the same zone's face on the
 * other side, null where there is none. Source: docs/ink.md, "Tests that contradict each other".
 */
export function contradictions(
  faces: readonly LookedAt[],
  opposite: readonly (number | null)[],
  range: DepthRange,
): Contradiction[] {
  const found = faces.flatMap((face, i) => {
    const look = leastLikely(face, range)
    return look === null ? [] : [{ face: i, look }]
  })
  /** One pass that was wrong in several zones was wrong as a whole. */
  const ageOf = ({ face, look }: { face: number; look: number }) => nth(faces, face).looks.length - look
  return found.map((one) => {
    const alike = found.filter((other) => ageOf(other) === ageOf(one)).length
    return { ...one, culprit: culpritOf(one.face, one.look, alike > 1) }
  })

  function culpritOf(face: number, number: number, inSeveralZones: boolean): Culprit {
    const look = nth(nth(faces, face).looks, number)
    const across = opposite[face] ?? null
    if (across !== null && nth(faces, across).looks.length > 0 && fits(nth(faces, across), look)) return 'side-mixed-up'
    if (look.seen === 'all' || look.seen === 'nothing') return 'ink-wiped'
    if (look.seen === 'ends') return 'dished-stone'
    if (fits(nth(faces, face), { ...look, fraction: look.fraction / HARD }, number)) return 'pressed-hard'
    return inSeveralZones ? 'blade-moved' : 'misjudged'
  }

  function fits(face: LookedAt, look: InkLook, without?: number): boolean {
    return oddsOf(face, look, range, without) > FITS
  }
}

function leastLikely(face: LookedAt, range: DepthRange): number | null {
  if (face.looks.length < 2) return null
  const all = logOdds(evidenceWith(face, range, {}))
  const odds = face.looks.map((_, without) => all - logOdds(evidenceWith(face, range, { without })))
  const least = Math.min(...odds)
  return least > Math.log(UNLIKELY) ? null : odds.findLastIndex((one) => one <= least + Math.log(AS_BADLY))
}

const logOdds = (evidence: readonly number[]): number => depthOdds([{ evidence }]).logEvidence

/** How likely a look is at a face, what was seen there being true; one of its looks may be left out. */
const oddsOf = (face: LookedAt, more: InkLook, range: DepthRange, without?: number): number =>
  Math.exp(logOdds(evidenceWith(face, range, { without, more })) - logOdds(evidenceWith(face, range, { without })))
