import type { NextStep } from '#core/process/nextStep/nextStep'
import type { PerSide } from '#core/records/common/side'
import type { Setup } from '#core/geometry/setup/setup'
import type { LengthUnit } from '#core/math/units/length'
import { angleText, differenceText } from './angleText'
import { dialText } from './dialText'
import { lengthText } from './lengthText'
import { GRIP_TEXT, moveText } from './placementText'
import { placeText } from './placeText'
import { problemText } from './problemText'
import { uncapital } from './sentence'

interface Spoken {
  readonly setup: Setup
  readonly unit: LengthUnit
  readonly sideNames: PerSide<string>
  /** The place that the dial is for: what is to be read is read there. */
  readonly dialForMm: number | null
}

/** The next step in words: what to do, and why. */
export function adviceText(
  next: NextStep,
  { setup, unit, sideNames, dialForMm }: Spoken,
): { readonly do: string; readonly why: string } {
  switch (next.does) {
    case 'say-wanted':
      return { do: 'Say what this edge should have', why: '20° is only what every job begins with' }
    case 'mend-grip':
      return {
        do: next.instead
          ? moveText(setup.rig, setup.blade, setup.hold, next.instead, unit)
          : 'Take other jaws, or another rig',
        why: GRIP_TEXT[next.trouble],
      }
    case 'mend-hold':
      return { do: `Set it otherwise for ${sideNames[next.side]}`, why: uncapital(problemText(next.refusal, unit)) }
    case 'hold-otherwise':
      return {
        do: 'Take other jaws, or a table',
        why:
          next.mostMm === 0
            ? 'a false edge on the spine slips out of ordinary jaws'
            : `a spine of ${lengthText(next.spineMm, unit)} slips out of jaws that hold to ${lengthText(next.mostMm, unit)}`,
      }
    case 'clear-jaws':
      return {
        do: 'Stand the blade further out, or take narrower jaws',
        why: `on ${sideNames[next.side]} the stone meets the jaws below ${angleText(next.lowestDeg)}`,
      }
    case 'dial':
      return {
        do: `Dial ${dialText(setup.rig, next.setting)} for ${sideNames[next.side]}`,
        why: `it gives ${angleText(next.givesDeg, next.uncertaintyDeg)}, ${differenceText(next.offDeg, next.uncertaintyDeg)} off the wanted angle`,
      }
    case 'read':
      return {
        do: `Read the gauge on ${sideNames[next.side]}`,
        why: `${placeText(dialForMm, setup.rig.kind, unit)} it must show ${angleText(next.mustReadDeg, next.uncertaintyDeg)} if all measures are right`,
      }
    case 'look-on':
      return {
        do: `Look on at the ink of ${sideNames[next.side]}`,
        why: 'Mark says what to dial for it, and once it is known, whether to follow it or to cut',
      }
    case 'explain-reading':
      return {
        do: `Find out why the gauge is off on ${sideNames[next.side]}`,
        why: `it shows ${differenceText(next.offDeg)} against what it must`,
      }
    case 'prove':
      return {
        do: `Prove ${sideNames[next.side]}: ink, two light passes, then the goniometer`,
        why: 'what is set is not yet what is on the steel',
      }
    case 'explain-proof':
      return {
        do: `Find out why ${sideNames[next.side]} is not as set`,
        why: `proved and set are ${angleText(Math.abs(next.offDeg), next.uncertaintyDeg)} apart; what would explain it stands at Prove`,
      }
    case 'put-to-use':
      return {
        do: 'Put it to use',
        why: `proved within ${angleText(Math.abs(next.offDeg))} of what was wanted; look after use whether it rolled or chipped`,
      }
  }
}
