import type { LengthUnit } from '#core/units/length'
import { dialStep } from '#core/rig/dial'
import type { DialSetting } from '#core/rig/heightReading'
import type { Rig } from '#core/rig/rig'
import { lengthFigure } from './lengthText'

/** A figure of the dial, or a word beside it. */
export interface DialPart {
  text: string
  figure: boolean
}

const figure = (text: string): DialPart => ({ text, figure: true })
const word = (text: string): DialPart => ({ text, figure: false })
const plain = (value: number, decimals: number): string => String(Number(value.toFixed(decimals)))

/** A setting in the rig's own words: "slot 5", "16 turns 3 marks", "mark 20.5°", "scale 54.5 mm". */
export function dialParts(rig: Rig, setting: DialSetting, unit: LengthUnit): DialPart[] {
  if (setting.by === 'slot') return [word('slot'), figure(setting.label)]
  if (setting.by === 'millimetres') return [word('scale'), figure(lengthFigure(setting.mm, unit)), word(unit)]
  if (setting.by === 'degree-scale') return [word('mark'), figure(`${plain(setting.markDeg, 1)}°`)]
  const { whole, marks } = turnsAndMarks(rig, setting.turns)
  return [figure(String(whole)), word('turns'), ...(marks === 0 ? [] : [figure(plain(marks, 1)), word('marks')])]
}

/** The same in one line. */
export const dialText = (rig: Rig, setting: DialSetting, unit: LengthUnit): string =>
  dialParts(rig, setting, unit)
    .map((part) => part.text)
    .join(' ')

/** The figures alone, for a column of dials: "16 + 3" are turns and marks. */
export const dialFigures = (rig: Rig, setting: DialSetting, unit: LengthUnit): string =>
  dialParts(rig, setting, unit)
    .filter((part) => part.figure)
    .map((part) => part.text)
    .join(' + ')

/** Whole turns of a screw and the marks of its collar beyond them. */
function turnsAndMarks(rig: Rig, turns: number): { whole: number; marks: number } {
  const divisions = Math.round(1 / dialStep(rig.height))
  const all = Math.round(turns * divisions * 10) / 10
  const whole = Math.floor(all / divisions)
  return { whole, marks: Math.round((all - whole * divisions) * 10) / 10 }
}

/** What one step of the dial is called. */
export const DIAL_STEP_WORD = { slot: 'slot', millimetres: 'mark', turns: 'mark', 'degree-scale': 'mark' } as const
