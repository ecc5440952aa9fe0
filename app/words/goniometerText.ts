import type { NotCounted } from '#core/observe/calibration/provedOnRig'
import type { UnknownId } from '#core/records/rig/unknowns'
import type { Finish } from '#core/log/choices'
import { type Pattern, SHIFT_UNKNOWN_DEG, TURNED_UNKNOWN_DEG } from '#core/observe/goniometer/pattern'
import type { MarkKind } from '#core/photo/goniometer/readGoniometerPhoto'
import type { PerSide } from '#core/records/common/side'
import { angleText } from './angleText'

export const FINISH_WORD: Record<Finish, string> = {
  crisp: 'a dot',
  hazy: 'a haze',
  convex: 'a line',
}

/** What a reflection of each look says of the bevel. */
export const FINISH_MEANS: Record<Finish, string> = {
  crisp: 'polished',
  hazy: 'coarse',
  convex: 'convex',
}

export const MARK_WORD: Record<MarkKind, string> = {
  edge: 'edge',
  primary: 'primary face',
  glare: 'glare',
  other: 'something else',
}

/** What was done about a blade that stands askew to the beam. */
export function shiftText({ shiftBy, shiftDeg, sides }: Pattern, names: PerSide<string>): string {
  if (shiftBy === 'primaries') {
    const off = Math.abs(shiftDeg)
    if (off < 0.05) return 'The primary spots stand even: the blade does not lean to either side.'
    const towards = names[shiftDeg > 0 ? 'A' : 'B']
    return `The primary spots show the whole pattern ${angleText(off)} towards ${towards}: that is taken out.`
  }
  const alone = sides.length < 2 ? '' : ' Their sum stands all the same.'
  return `Without both primary spots nothing tells whether the blade leans to one side: each side may be off by ${angleText(SHIFT_UNKNOWN_DEG)}.${alone}`
}

/** Whether the edge lies square across the beam, and what was done about it. */
export function turnedText({ turnedDeg }: Pattern): string {
  if (turnedDeg === null)
    return `Nobody looked whether the edge lies square across the beam. Turned by ${angleText(TURNED_UNKNOWN_DEG)}, it reads a little too flat: the ± counts that.`
  if (turnedDeg < 0.5) return 'The edge lies square across the beam.'
  return `The edge lies ${angleText(turnedDeg)} off square across the beam and reads too flat: that is taken out.`
}

/** What uneven sides mean, and what to do. */
export const unevenText = (byDeg: number, names: PerSide<string>): string =>
  `${names[byDeg > 0 ? 'A' : 'B']} is ${angleText(Math.abs(byDeg))} steeper: the edge does not lie in the middle of the blade. Was the blade centred in the jaws, and was each side set by itself?`

/** A pattern without a reflection of the edge. */
export const NO_EDGE =
  'No reflection of the edge. Clean it of oil and burr, give it one polishing pass, darken the room, and look again.'

export const UNKNOWN_WORD: Record<UnknownId, string> = {
  'pivot-height': 'pivot height',
  'pivot-height-b': 'pivot height of the second arm',
  setback: 'setback',
  'setback-b': 'setback of the second arm',
  'centre-offset': 'blades off the jaws’ middle',
  tilt: 'blades tilted in the jaws',
  'face-offset': 'face offset',
}

export const NOT_COUNTED: Record<NotCounted, string> = {
  'not-goniometer': 'not read on a goniometer: ink tells an angle against the set one',
  'not-to-apex': 'the bevel was not cut through to the apex: the steel there has an older angle',
  'apex-not-said': 'nobody said whether the bevel was cut through to the apex',
  convex: 'a convex bevel has no one angle',
  'not-cut': 'no strokes were recorded before it: what it was cut with is not known',
  'counted-before': 'it is in the measures already',
  'blade-or-stone-gone': 'its blade or stone is no longer there',
  'no-angle': 'with the measures as they stand the rig gives no angle there',
}
