import { MM_PER_INCH, type LengthUnit } from '#core/math/units/length'
import type { Choice } from '#core/log/choices'
import type { Reason } from '#core/process/decision/decide'
import type { SideThere } from '#core/process/decision/plans'
import { angleText } from './angleText'

export const CHOICE_WORD: Record<Choice, string> = { follow: 'Follow', cut: 'Cut', nearer: 'Step by step' }

/** What each choice means, in a few words. */
export const CHOICE_MEANS: Record<Choice, string> = {
  follow: 'grind the existing bevel at its own mean angle',
  cut: 'grind the wanted angle now, from heel to tip',
  nearer: 'grind a degree nearer to it at each sharpening',
}

/** Why a choice is the advised one. */
export const REASON_TEXT: Record<Reason, string> = {
  close:
    'The existing bevel is within 0.75° of the wanted angle, or within its own uncertainty. Grinding it is not worth the steel.',
  steeper: 'The wanted angle is steeper than the existing bevel. A small bevel at the very edge takes almost no steel.',
  'soon-done': 'The wanted angle is flatter, and cutting it takes little time.',
  'long-work': 'The wanted angle is flatter and takes much steel, which does not grow back.',
  'cannot-cut': 'The wanted angle cannot be ground on this blade as it is held.',
}

/** A count to two figures: what is only known to a factor shows no more. */
export const roughCount = (count: number): string => {
  const step = 10 ** Math.max(0, Math.floor(Math.log10(Math.max(1, count))) - 1)
  return String(Math.max(1, Math.round(count / step) * step))
}

const MM3_PER_IN3 = MM_PER_INCH ** 3
/** To two figures, written out. */
const twoFigures = (value: number): string => {
  const decimals = Math.max(0, 1 - Math.floor(Math.log10(Math.max(value, 1e-9))))
  return value.toFixed(Math.min(8, decimals))
}
const steelFigure = (mm3: number, unit: LengthUnit): string => {
  if (unit === 'in') return twoFigures(mm3 / MM3_PER_IN3)
  return mm3 < 0.1 ? mm3.toFixed(2) : mm3 < 10 ? mm3.toFixed(1) : String(Math.round(mm3))
}
/** Less steel than this is not told, mm³. */
const LEAST_STEEL_MM3 = 0.05

/** Steel, as finely as it can be told: "0.08 mm³", "1.4 mm³", "22 mm³", "0.0013 in³". */
export const steelText = (mm3: number, unit: LengthUnit): string =>
  mm3 < LEAST_STEEL_MM3 ? `under ${steelFigure(LEAST_STEEL_MM3, unit)} ${unit}³` : `${steelFigure(mm3, unit)} ${unit}³`

/** The same with the least and the most it may be: "1.2 mm³ (0.9 to 1.4)". */
export const steelRange = (mm3: number, [least, most]: readonly [number, number], unit: LengthUnit): string =>
  `${steelText(mm3, unit)} (${steelFigure(least, unit)} to ${steelFigure(most, unit)})`

export const minutesText = (minutes: number): string => (minutes < 1 ? 'under a minute' : `${roughCount(minutes)} min`)

/** Angles of the sides in a row, once where they are alike: "21.4° and 20.4°". */
export const anglesText = (deg: readonly number[]): string =>
  [...new Set(deg.map((one) => angleText(one)))].join(' and ')

/** Why an angle is wanted that was taken over from a plan. */
export function whyText(
  { choice, sharpenings }: { readonly choice: Choice; readonly sharpenings: number },
  there: readonly SideThere[],
): string {
  const found = there.map(
    ({ thereDeg, uncertaintyDeg }) =>
      `${angleText(thereDeg, uncertaintyDeg)} ± ${angleText(uncertaintyDeg, uncertaintyDeg)}`,
  )
  const by = `Ink found ${found.join(' and ')}`
  if (choice === 'follow') return `${by}: followed, the bevel that is there.`
  if (choice === 'cut') return `${by}: cut a new bevel.`
  return `${by}: nearer each time, ${anglesText(there.map(({ wantedDeg }) => wantedDeg))} in ${sharpenings} sharpenings.`
}
