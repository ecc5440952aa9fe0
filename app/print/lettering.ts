import type { CardText } from './paper'

/** Widths of letters in heights of the letters: none of the shipped font is wider, bold or not. */
const WIDTHS: readonly (readonly [RegExp, number])[] = [
  [/[\u1100-\u11ff\u2e80-\ua4cf\uac00-\ud7af\uf900-\ufaff\uff00-\uff60ÆŒĲœ…—@%]/u, 1.02],
  [/[MWmwŴŵẀẁẂẃẄẅæ¼½¾™©®#ЖМФШЩЫЮжмфшщыю]/u, 0.9],
  [/[\p{Lu}\d+−=<>&$£€¥₹«»⁄∕÷¬ďß]/u, 0.74],
  [/[iljtfrI.,:;'’!|() ·]/u, 0.38],
]
const USUAL = 0.58
const BOLD = 1.06
/** Letters are made smaller to this share before a text is cut. */
const SMALLEST = 0.5

/** How wide a line of letters is at most, mm. */
export const widthMm = (text: string, sizeMm: number, bold: boolean): number =>
  [...text].reduce((sum, letter) => sum + (WIDTHS.find(([of]) => of.test(letter))?.[1] ?? USUAL), 0) *
  sizeMm *
  (bold ? BOLD : 1)

/** A line made small enough for its place, and cut where that is not enough; nothing for no text. */
export function fitted(text: string, at: Omit<CardText, 'text'>, roomMm: number): CardText[] {
  if (text === '') return []
  const share = Math.min(1, roomMm / widthMm(text, at.size, at.bold))
  if (share >= SMALLEST) return [{ ...at, size: at.size * share, text }]
  const size = at.size * SMALLEST
  let letters = [...text]
  while (letters.length > 1 && widthMm(`${letters.join('')}…`, size, at.bold) > roomMm) letters = letters.slice(0, -1)
  return [{ ...at, size, text: `${letters.join('').trimEnd()}…` }]
}

/** A text in lines that are no wider than there is room, broken between words. */
export function wrapped(text: string, sizeMm: number, roomMm: number): string[] {
  const lines: string[] = []
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const last = lines.at(-1)
    const longer = last === undefined ? word : `${last} ${word}`
    if (last !== undefined && widthMm(longer, sizeMm, false) <= roomMm) lines[lines.length - 1] = longer
    else lines.push(word)
  }
  return lines
}
