import type { DialLanguage, ReadingOf, SettingOf } from '#core/rig/dials/readings'
import type { LengthUnit } from '#core/units/length'
import { lengthFigure } from './lengthText'

/** A figure of the dial, or a word beside it. */
export interface DialPart {
  text: string
  figure: boolean
}
const figure = (text: string): DialPart => ({ text, figure: true })
const word = (text: string): DialPart => ({ text, figure: false })
const plain = (value: number, decimals: number): string => String(Number(value.toFixed(decimals)))
const counted = (count: number, of: string): string => `${count} ${of}${count === 1 ? '' : 's'}`
const signOf = (value: number): string => (value > 0 ? '+' : '−')

/** How one language of dials speaks. */
interface DialWords<R, S> {
  /** What it is read as. */
  readonly readAs: string
  /** What its figures alone stand for, as dialFigures writes them. */
  readonly figures: string
  /** What one step of it is called. */
  readonly step: string
  /** What stands at its marks, as the heading of a column. */
  heading(unit: LengthUnit): string
  /** A setting: "slot 5", "16 turns 3 marks", "mark 20.5°", "scale 54.5 mm". */
  parts(setting: S, reading: R, unit: LengthUnit): DialPart[]
  /** From one figure of it to another, in its own words; empty where it says no more than the millimetres do. */
  rise(fromFigure: number, toFigure: number, reading: R): string
}

/** Every language of dials; one that has no words does not compile. */
export const DIAL_WORDS: { readonly [B in DialLanguage]: DialWords<ReadingOf<B>, SettingOf<B>> } = {
  slot: {
    readAs: 'slots',
    figures: 'slots',
    step: 'slot',
    heading: () => 'Slot',
    parts: ({ label }) => [word('slot'), figure(label)],
    rise: () => '',
  },
  millimetres: {
    readAs: 'millimetres',
    figures: 'scale',
    step: 'mark',
    heading: (unit) => `Scale, ${unit}`,
    parts: ({ mm }, _, unit) => [word('scale'), figure(lengthFigure(mm, unit)), word(unit)],
    rise: () => '',
  },
  turns: {
    readAs: 'turns',
    figures: 'turns + marks',
    step: 'mark',
    heading: () => 'Turns',
    parts({ turns }, { divisions }) {
      const all = Math.round(turns * divisions * 10) / 10
      const whole = Math.floor(all / divisions)
      const marks = Math.round((all - whole * divisions) * 10) / 10
      return [figure(String(whole)), word('turns'), ...(marks === 0 ? [] : [figure(plain(marks, 1)), word('marks')])]
    },
    rise(from, to, { divisions }) {
      const marks = Math.round((to - from) * divisions)
      if (marks === 0) return 'nothing'
      const [whole, rest] = [Math.floor(Math.abs(marks) / divisions), Math.abs(marks) % divisions]
      const parts = [whole > 0 ? counted(whole, 'turn') : '', rest > 0 ? counted(rest, 'mark') : '']
      return signOf(marks) + parts.filter(Boolean).join(' ')
    },
  },
  'degree-scale': {
    readAs: 'printed degrees',
    figures: 'printed degrees',
    step: 'mark',
    heading: () => 'Printed mark, °',
    parts: ({ markDeg }) => [word('mark'), figure(`${plain(markDeg, 1)}°`)],
    rise(from, to) {
      const text = Math.abs(to - from).toFixed(1)
      return `${Number(text) === 0 ? '' : signOf(to - from)}${text}° on the scale`
    },
  },
}

/** The words of a language, for readings and settings of its own. */
export const wordsOf = (by: DialLanguage) =>
  DIAL_WORDS[by] as unknown as DialWords<ReadingOf<DialLanguage>, SettingOf<DialLanguage>>
