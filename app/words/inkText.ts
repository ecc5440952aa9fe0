import type { Culprit } from '#core/observe/marker/contradictions'
import type { FaceKind } from '#core/observe/marker/face'
import type { Loss } from '#core/simulation/practice/score'
import type { Level, InkPattern } from '#core/log/choices'
import type { PartProblem } from '#core/photo/marker/readInkPhoto'

/** What is seen of a bevel's ink, from the shoulder down to the edge. */
export const INK_WORD: Record<InkPattern, string> = {
  above: 'only above the shoulder',
  shoulder: 'at the shoulder',
  middle: 'in the middle',
  ends: 'at both ends',
  apex: 'at the edge',
  all: 'all of it',
  nothing: 'nowhere',
}

/** What it means, in a few words. */
export const INK_MEANS: Record<InkPattern, string> = {
  above: 'the stone lies on the flat of the blade',
  shoulder: 'the stone is flatter than the bevel',
  middle: 'the bevel is convex',
  ends: 'the bevel is hollow',
  apex: 'the stone is steeper than the bevel',
  all: 'the stone matches the bevel',
  nothing: 'the stone did not touch it',
}

export const FACE_KIND_WORD: Record<FaceKind, string> = { flat: 'flat', convex: 'convex', hollow: 'hollow' }

/** A fraction as it is told: "25 %". */
export const fractionText = (fraction: number): string => `${Math.round(fraction * 100)} %`

/** What most likely went wrong with a look that does not go with the others, and what to do. */
export const CULPRIT_TEXT: Record<Culprit, string> = {
  'side-mixed-up': 'It fits the other side: were the sides mixed up?',
  'blade-moved': 'It does not fit in several zones: did the blade move in the jaws, or was another setting dialled?',
  'ink-wiped': 'Was the ink not dry, or wiped off? Ink again, and look once more.',
  'dished-stone': 'Is the stone dished? A hollow stone bares both ends.',
  'pressed-hard':
    'Much more is bare than the others allow: was it pressed too hard? Ink again, the stone’s own weight alone.',
  misjudged: 'Was it recorded for another zone? Ink it again and repeat the test.',
}

/** Why a part of a picture tells nothing. */
export const PART_PROBLEM: Record<PartProblem, string> = {
  outside: 'lies outside of the picture',
  faint: 'ink and steel are too much alike here: less glare, or a stronger ink',
  patchy: 'ink and steel change too often here: is it a bevel that was inked?',
}

export const LEVEL_TEXT: Record<Level, { word: string; means: string }> = {
  easy: { word: 'Easy', means: 'flat bevels, alike all along, the sides a little apart' },
  usual: { word: 'Usual', means: 'a factory grind: uneven along the edge, some apexes dull' },
  mean: { word: 'Hard', means: 'very uneven, some faces convex, dull apexes' },
}

export const passesText = (count: number): string => `${count} ${count === 1 ? 'pass' : 'passes'}`

/** For what points were lost in a practice. `where`: the side and zone in words. */
export function lossText({ reason, by }: Loss, where: string): string {
  switch (reason) {
    case 'off':
      return `${where} was taken for ${Math.abs(by).toFixed(1)}° too ${by > 0 ? 'steep' : 'flat'}: a test nearer to it would have shown it.`
    case 'not-looked-at':
      return `${where} was not recorded.`
    case 'misjudged-pattern':
      return `${where}: one pass was recorded as another pattern than it showed.`
    case 'misjudged-fraction':
      return `${where}: the bare fraction was recorded ${Math.round(by * 100)} % off.`
    case 'passes':
      return `${passesText(by)} more than the advice takes: each takes ink and a little steel.`
  }
}
