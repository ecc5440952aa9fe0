import type { Blade } from '#core/records/blade/blade'
import { isFarOff } from '#core/process/steps/asGround'
import type { NextStep } from '#core/process/steps/nextStep'
import type { AngleAsGround, OutOfDate, Step } from '#core/process/steps/step'
import type { PerSide, Side } from '#core/records/common/side'
import type { Setup } from '#core/geometry/setup/setup'
import { startingAngle } from '#core/use/startingAngle'
import type { LengthUnit } from '#core/math/units/length'
import { angleText, differenceText } from './angleText'
import { dialText } from './dialText'
import { lengthText } from './lengthText'
import { GRIP_TEXT, moveText } from './placementText'
import { startingText } from './nextAngleText'
import { placeText } from './placeText'
import { problemText } from './problemText'
import { uncapital } from './sentence'
import { SETUP_PART_WORD } from './setupText'
import { theZone, ZONE_WORD, zoneNameAt } from './zoneText'

export interface Spoken {
  readonly setup: Setup
  readonly unit: LengthUnit
  readonly sideNames: PerSide<string>
  /** The place that the dial is for: what is to be read is read there. */
  readonly dialForMm: number | null
  readonly stoneName: (id: string) => string
  /** Whether usual ranges for a use are said. */
  readonly startingRanges: boolean
  /** The side that is up; null where no blade lies on the bench. */
  readonly up: Side | null
}

export interface StepText {
  readonly do: string
  readonly why: string
}

/** The next step in words: what to do, and why. Null: everything that was expected is done or left out. */
export function stepText(next: NextStep | null, spoken: Spoken): StepText {
  if (!next) return { do: 'Nothing is left to do', why: 'every step that this job expects is done or left out' }
  const there = toDoText(next, spoken)
  const turns =
    next.side !== null && spoken.up !== null && next.side !== spoken.up && AT_THE_STONE.includes(next.toDo.does)
  const said = turns ? { ...there, do: `Turn over to ${spoken.sideNames[next.side]}: ${uncapital(there.do)}` } : there
  const { state, toDo } = next
  if (state.is !== 'out-of-date' || toDo.does.startsWith('explain')) return said
  return { ...said, why: `${said.why}; ${outOfDateText(state.because)}` }
}

/** What is done with the side up that it is for. */
const AT_THE_STONE: readonly string[] = ['dial', 'read', 'mark', 'grind'] satisfies NextStep['toDo']['does'][]

const BECAUSE: Readonly<Record<OutOfDate, string>> = {
  ...SETUP_PART_WORD,
  wanted: 'the wanted angle',
  'ground-since': 'strokes were made since',
  'tested-since': 'there are marker tests since',
  'found-since': 'the bevel was found again since',
  'gauge-zero': 'the gauge’s zero',
  'apex-not-said': 'say whether it is cut through to the apex',
  'not-to-apex': 'it is not cut through to the apex yet',
  unsure: 'it is too uncertain',
  differs: 'it is not what it should be',
}
const isPart = (one: OutOfDate): boolean => one === 'wanted' || one === 'gauge-zero' || one in SETUP_PART_WORD

/** Why what was done counts no longer: "the hold and the dial changed since; strokes were made since". */
export function outOfDateText(because: readonly OutOfDate[]): string {
  const parts = because.filter(isPart).map((one) => BECAUSE[one])
  const others = because.filter((one) => !isPart(one)).map((one) => BECAUSE[one])
  const changed = parts.length > 0 ? [`${parts.join(' and ')} changed since`] : []
  return [...changed, ...others].join('; ')
}

/** Where on a side something is to be proved; empty for the side as a whole. A facet is called by its name. */
function whereProved(
  { zone, position, placeMm }: Pick<NextStep, 'zone' | 'position' | 'placeMm'>,
  blade: Blade,
): string {
  const name = placeMm === null ? '' : theZone(zoneNameAt(blade, placeMm))
  const isFacet = name.startsWith(ZONE_WORD.facet)
  const parts = [
    zone || (position && isFacet) ? name : '',
    position && !isFacet ? `where position ${position} is worked` : '',
  ]
  return parts
    .filter(Boolean)
    .map((part) => `, ${part}`)
    .join('')
}

function toDoText({ toDo, side, zone, stoneId, forMicroBevel, position, placeMm }: NextStep, spoken: Spoken): StepText {
  const { setup, unit, sideNames, dialForMm, stoneName, startingRanges } = spoken
  const on = side ? sideNames[side] : ''
  const stone = stoneId ? stoneName(stoneId) : 'the stone'
  switch (toDo.does) {
    case 'say-wanted': {
      const starting = startingRanges ? startingAngle(setup.blade) : null
      return {
        do: 'Enter the wanted angle',
        why: starting ? startingText(starting) : '20° is only what every job begins with',
      }
    }
    case 'mend-grip':
      return {
        do: toDo.instead
          ? moveText(setup.rig, setup.blade, setup.hold, toDo.instead, unit)
          : 'Take other jaws, or another rig',
        why: GRIP_TEXT[toDo.trouble],
      }
    case 'mend-hold':
      return { do: `Choose another setting${on ? ` for ${on}` : ''}`, why: uncapital(problemText(toDo.refusal, unit)) }
    case 'hold-position':
      return {
        do: `Hold the blade in position ${toDo.position} of ${toDo.of}`,
        why: 'each position is ground with every stone before the blade is moved on',
      }
    case 'set-for-facet':
      return {
        do: `Set the rig for ${theZone(zoneNameAt(setup.blade, toDo.placeMm))}, ${toDo.position} of ${toDo.of}`,
        why: 'each facet is ground with every stone before the next; the blade stays in the jaws',
      }
    case 'find-positions':
      return {
        do: 'Find the positions again',
        why: `those of this job were found for ${angleText(toDo.foundForDeg)}`,
      }
    case 'hold-otherwise':
      return {
        do: 'Take other jaws, or a table',
        why:
          toDo.mostMm === 0
            ? 'a false edge on the spine slips out of ordinary jaws'
            : `a spine of ${lengthText(toDo.spineMm, unit)} slips out of jaws that hold ${lengthText(toDo.mostMm, unit)}; if these hold it, say so at the rig`,
      }
    case 'clear-jaws':
      return {
        do: 'Move the blade further out, or fit narrower jaws',
        why:
          toDo.lowestDeg === null
            ? `on ${on} the jaws are in the stone’s way at any angle`
            : `on ${on} the stone meets the jaws below ${angleText(toDo.lowestDeg)}`,
      }
    case 'even-angle':
      return {
        do: 'Find a hold with a more even angle',
        why: `the angle runs from ${angleText(toDo.lowestDeg)} to ${angleText(toDo.highestDeg)} along the edge`,
      }
    case 'keep-facets':
      return {
        do: 'Set each facet by itself',
        why: `one setting gives from ${angleText(toDo.lowestDeg)} to ${angleText(toDo.highestDeg)} on the facets of this edge`,
      }
    case 'measure-height':
      return {
        do: 'Measure the blade height in the clamp',
        why: `the angles assume ${lengthText(toDo.heightMm, unit)} out of the jaws${toDo.placeMm === null ? '' : `, ${placeText(toDo.placeMm, setup.rig.kind, unit)}`}`,
      }
    case 'dial':
      return {
        do: `Dial ${dialText(setup.rig, toDo.setting)} for ${on}`,
        why: `it gives ${angleText(toDo.givesDeg, toDo.uncertaintyDeg)}, ${differenceText(toDo.offDeg, toDo.uncertaintyDeg)} off the wanted angle`,
      }
    case 'read':
      return {
        do: `Read the gauge on ${on}`,
        why: `${placeText(dialForMm, setup.rig.kind, unit)} it must show ${angleText(toDo.mustReadDeg, toDo.uncertaintyDeg)} if all measures are right`,
      }
    case 'explain-reading':
      return {
        do: `Find out why the gauge is off on ${on}`,
        why: `it shows ${differenceText(toDo.offDeg)} against what it must`,
      }
    case 'mark':
      return {
        do: `Test ${on} with the marker`,
        why:
          toDo.looked === 0
            ? 'ink, one or two light passes, then say what is bare'
            : `${toDo.looked} of ${toDo.of} zones have a test; record the bevel once it is known`,
      }
    case 'decide':
      return { do: 'Decide: follow the bevel, or cut a new one', why: 'the bevel that is there is known' }
    case 'choose-stones':
      return { do: 'Choose the stones', why: 'no coarser than needed, coarse to fine' }
    case 'put-on':
      return forMicroBevel
        ? { do: `Set up ${stone} for the micro-bevel`, why: 'the bevel is done; this one is steeper' }
        : { do: `Put on ${stone}`, why: 'it is the next of the chosen stones' }
    case 'grind':
      return {
        do: `Grind ${forMicroBevel ? `the micro-bevel on ${on}` : on} with ${stone}`,
        why:
          toDo.strokes > 0
            ? `${toDo.strokes} strokes so far; say when the stone has done its work`
            : 'hands behind the edge, no stroke past the tip',
      }
    case 'remove-burr':
      return { do: 'Remove the burr', why: 'light passes on both sides until none is left; record it at Prove' }
    case 'prove':
      return {
        do: `Prove ${on}${whereProved({ zone, position, placeMm }, setup.blade)}`,
        why: zone ? 'its set angle differs from the rest' : 'what is set is not yet what is on the steel',
      }
    case 'explain-proof':
      return {
        do: `Find out why ${on} is not as set`,
        why: `proved and set are ${angleText(Math.abs(toDo.offDeg), toDo.uncertaintyDeg)} apart`,
      }
    case 'put-to-use':
      return {
        do: 'Put it to use',
        why:
          toDo.offDeg === null
            ? 'nothing was proved: the angle is not known'
            : `proved within ${angleText(Math.abs(toDo.offDeg))} of the wanted angle${worstPlace(toDo.along, spoken)}`,
      }
    case 'note-outcome':
      return { do: 'After use, record how the edge held', why: 'rolled, chipped, dulled soon, or cut well' }
  }
}

/** The place of the edge that is furthest from the wanted angle, where that is far: "; the belly of A is 1.4° low". */
function worstPlace(along: readonly AngleAsGround[], { setup, sideNames }: Spoken): string {
  const worst = along.toSorted((one, other) => Math.abs(other.worstDeg) - Math.abs(one.worstDeg))[0]
  return worst && isFarOff(worst) ? `; ${farOffText(worst, setup.blade, sideNames)}` : ''
}
export const farOffText = (
  { side, worstAtMm, worstDeg }: AngleAsGround,
  blade: Blade,
  names: PerSide<string>,
): string =>
  `${theZone(zoneNameAt(blade, worstAtMm))} of ${names[side]} is ${angleText(Math.abs(worstDeg))} ${worstDeg > 0 ? 'high' : 'low'}`

/** What leaving a step out is called: an explanation that is not sought is an angle taken as it is. */
export const leaveOutText = ({ toDo }: Pick<Step, 'toDo'>): string =>
  toDo?.does === 'explain-proof' ||
  toDo?.does === 'explain-reading' ||
  toDo?.does === 'even-angle' ||
  toDo?.does === 'keep-facets'
    ? 'Accept it as it is'
    : 'Leave this out'
