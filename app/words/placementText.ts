import type { KeptPosition } from '#core/records/job/positions'
import type { Bound } from '#core/placement/findPlacement'
import type { NoHold } from '#core/placement/whyNone'
import type { Blade } from '#core/records/blade/blade'
import type { ClampPosition } from '#core/records/job/clampPosition'
import type { GripTrouble } from '#core/geometry/hold/grip'
import { markUnderLandmark } from '#core/geometry/hold/landmark'
import type { Rig } from '#core/records/rig/rig'
import type { LengthUnit } from '#core/math/units/length'
import { angleText } from './angleText'
import { lengthText } from './lengthText'

const LEAST = { mm: 0.25, deg: 0.25 } as const
/** A depth this near to a stop rests on it. */
const ON_STOP_MM = 0.3

/** The stop that a blade rests on at a depth; null where it rests on none. */
export const stopAt = (rig: Rig, depthMm: number): string | null =>
  rig.stops.find((stop) => Math.abs(stop.depthMm - depthMm) < ON_STOP_MM)?.name ?? null

/** The position mark nearest to the middle of the jaws; null on a rig without marks. */
export const middleMark = (rig: Rig): Rig['positionMarks'][number] | null =>
  [...rig.positionMarks].sort((a, b) => Math.abs(a.alongMm) - Math.abs(b.alongMm))[0] ?? null

/**
 * What to do to hold a blade otherwise: "Hold it with the stud on mark d, 12.0 mm nearer the tip, turned 4.5° tip out,
 * on pin 2".
 */
export function moveText(
  rig: Rig,
  blade: Pick<Blade, 'landmark'>,
  now: ClampPosition,
  then: ClampPosition,
  unit: LengthUnit,
): string {
  const along = then.bladeXMm - now.bladeXMm
  const parts: string[] = []
  const mark = markUnderLandmark(rig, blade, then)
  if (mark && mark !== markUnderLandmark(rig, blade, now))
    parts.push(`with the ${blade.landmark!.what} on mark ${mark.name}`)
  if (Math.abs(along) >= LEAST.mm)
    parts.push(`${lengthText(Math.abs(along), unit)} nearer the ${along > 0 ? 'tip' : 'heel'}`)
  if (Math.abs(then.turnDeg - now.turnDeg) >= LEAST.deg)
    parts.push(
      Math.abs(then.turnDeg) < LEAST.deg
        ? 'not turned'
        : `turned ${angleText(Math.abs(then.turnDeg))}, tip ${then.turnDeg > 0 ? 'out' : 'in'}`,
    )
  if (Math.abs(then.bladeYMm - now.bladeYMm) >= LEAST.mm) {
    const stop = stopAt(rig, then.bladeYMm)
    parts.push(stop ? `on ${stop}` : `${lengthText(then.bladeYMm, unit)} deep`)
  }
  return parts.length === 0 ? 'Hold it as it is' : `Hold it ${parts.join(', ')}`
}

/** Why nothing better is to be had. */
export const BOUND_TEXT: Record<Bound, string> = {
  'off-the-blade': 'further along, the jaws would stand off the blade',
  'too-little-held': 'further out, too little steel would be held',
  'off-the-flat': 'deeper, the jaws would leave the flat of the blade',
  'into-the-edge': 'the jaws would come too near the edge',
  'slips-out': 'the spine would slip out of the jaws',
  'height-out-of-rig': 'the pivot cannot stand where that would need it',
  'rod-too-short': 'the rod would not reach the far end of the edge',
  'stops-too-near': 'the stop on the rod would end the stroke too soon',
  'stone-meets-jaws': 'the stone would meet the jaws',
  'turned-far-enough': 'a blade turned further is not held well',
  'end-of-the-blade': 'the blade ends there',
  'between-marks': 'a better place lies between two marks',
  'between-stops': 'a better depth lies on no stop',
}

/** What is wrong with the jaws' grip on a blade, as the second half of a sentence. */
export const GRIP_TEXT: Record<GripTrouble, string> = {
  'off-the-blade': 'the jaws stand off the end of the blade',
  'too-little-held': 'the jaws hold too little of the blade, or none',
  'off-the-flat': 'the jaws reach beyond the flat of the blade',
  'into-the-edge': 'the jaws come too near the edge',
}

/** Why it can be held nowhere, and what would help. */
export const NO_HOLD_TEXT: Record<NoHold, string> = {
  'off-the-blade': 'The jaws are wider than the blade: take narrower ones.',
  'too-little-held': 'Too little steel is held: take a deeper stop, or narrower jaws.',
  'off-the-flat': 'The jaws leave the flat of the blade: take a stop less deep, or narrower jaws.',
  'into-the-edge': 'The jaws come too near the edge: take a stop less deep, or narrower jaws.',
  'slips-out': 'The spine slips out of these jaws: take others, or a table.',
  'height-out-of-rig': 'The pivot cannot stand so low: take a thinner stone, or another rig.',
  'rod-too-short': 'The rod does not reach all of it: leave out the zone farthest off, or take a longer rod.',
  'stops-too-near': 'The stop on the rod ends the stroke too soon: move it, or leave out the nearest zone.',
  'stone-meets-jaws': 'The stone meets the jaws: take thinner or narrower ones, a shorter stone, or a steeper angle.',
  'no-angle': 'The stone cannot come down to all of it: take a thinner one, or leave out a zone.',
}

/** The stretch of the edge that a position of a long blade is for, and where it meets the one before. */
export const positionText = ({ fromMm, toMm, blendAtMm }: KeptPosition, unit: LengthUnit): string =>
  `For the edge from ${lengthText(fromMm, unit)} to ${lengthText(toMm, unit)} from the heel${
    blendAtMm === null ? '' : `; blend into the position before at ${lengthText(blendAtMm, unit)}`
  }.`
