import type { DialLanguage, ReadingOf, SettingOf } from '#core/records/rig/dials/readings'
import { fromMm } from '#core/math/units/length'
import { onScale, scaleFigure } from './scaleText'

/** A figure of the dial, or a word beside it. */
export interface DialPart {
  text: string
  figure: boolean
}
const figure = (text: string): DialPart => ({ text, figure: true })
const word = (text: string): DialPart => ({ text, figure: false })
const counted = (count: number, of: string): string => `${count} ${of}${count === 1 ? '' : 's'}`
/** What is said behind a setting below its scale's 0. */
export const BELOW_ZERO = 'below 0'
const signOf = (value: number): string => (value > 0 ? '+' : '−')

/** How one language of dials speaks. */
interface DialWords<R, S> {
  /** What it is read as. */
  readonly readAs: string
  /** What its figures alone stand for, as dialFigures writes them. */
  figures(reading: R): string
  /** What one step of it is called. */
  readonly step: string
  /** What stands at its marks, as the heading of a column. */
  heading(reading: R): string
  /**
   * A setting: "slot 5", "16 turns 3 marks", "mark 20.5°", "scale 54.5 mm"; where it lies on no mark, the two that it
   * lies between.
   */
  parts(setting: S, reading: R): DialPart[]
  /** From one figure of it to another, in its own words; empty where it says no more than the millimetres do. */
  rise(fromFigure: number, toFigure: number, reading: R): string
}

/** Every language of dials; one that has no words does not compile. */
export const DIAL_WORDS: { readonly [B in DialLanguage]: DialWords<ReadingOf<B>, SettingOf<B>> } = {
  slot: {
    readAs: 'slots',
    figures: () => 'slots',
    step: 'slot',
    heading: () => 'Slot',
    parts: ({ label }) => [word('slot'), figure(label)],
    rise: () => '',
  },
  millimetres: {
    readAs: 'a scale of lengths',
    figures: ({ engravedIn }) => `scale, ${engravedIn}`,
    step: 'mark',
    heading: ({ engravedIn }) => `Scale, ${engravedIn}`,
    parts({ mm }, { resolutionMm, engravedIn }) {
      const [at, step] = [fromMm(mm, engravedIn), fromMm(resolutionMm, engravedIn)]
      return [word('scale'), figure(onScale(at, step, (mark) => scaleFigure(mark, step, engravedIn))), word(engravedIn)]
    },
    rise: () => '',
  },
  turns: {
    readAs: 'turns',
    figures: () => 'turns + marks',
    step: 'mark',
    heading: () => 'Turns',
    parts({ turns }, { divisions }) {
      // One sign for the whole: a screw at −0.375 turn of eight marks stands 3 marks below 0.
      const size = Math.abs(turns)
      const whole = Math.floor(size + 1e-6)
      const marks = onScale((size - whole) * divisions, 1, String)
      const isBelow = turns < 0 && (whole > 0 || marks !== '0')
      return [
        figure(String(whole)),
        word(whole === 1 ? 'turn' : 'turns'),
        ...(marks === '0' ? [] : [figure(marks), word(marks === '1' ? 'mark' : 'marks')]),
        ...(isBelow ? [word(BELOW_ZERO)] : []),
      ]
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
    figures: () => 'printed degrees',
    step: 'mark',
    heading: () => 'Printed mark, °',
    parts: ({ markDeg }, { stepDeg }) => [
      word('mark'),
      figure(`${onScale(markDeg, stepDeg, (mark) => scaleFigure(mark, stepDeg, 'mm'))}°`),
    ],
    rise(from, to) {
      const text = Math.abs(to - from).toFixed(1)
      return `${Number(text) === 0 ? '' : signOf(to - from)}${text}° on the scale`
    },
  },
}

/** The words of a language, for readings and settings of its own. */
export const wordsOf = (by: DialLanguage) =>
  DIAL_WORDS[by] as unknown as DialWords<ReadingOf<DialLanguage>, SettingOf<DialLanguage>>
