import { settingOfHeight } from '#core/records/rig/dial'
import { dialOf } from '#core/records/rig/dials/dials'
import type { Rig } from '#core/records/rig/rig'
import { fromMm, type LengthUnit } from '#core/math/units/length'
import { wordsOf } from './dialWords'

const signed = (value: number, decimals: number): string => {
  const figure = Math.abs(value).toFixed(decimals)
  return Number(figure) === 0 ? figure : `${value > 0 ? '+' : '−'}${figure}`
}

/**
 * How far the pivot must rise, with its sign: "+3.7 mm". A tenth of a millimetre is the finest that a post can be set
 * to.
 */
export const riseText = (mm: number, unit: LengthUnit): string =>
  `${signed(fromMm(mm, unit), unit === 'mm' ? 1 : 3)} ${unit}`

/**
 * The same in the rig's own language, from one pivot height to another: "+2 turns 5 marks", "+1.3° on the scale"; empty
 * on a plate or a plain scale.
 */
export function riseOnDial(rig: Rig, fromHeightMm: number, toHeightMm: number): string {
  const figureAt = (heightMm: number) => dialOf(rig.height).figure(rig.height, settingOfHeight(rig, heightMm))
  return wordsOf(rig.height.by).rise(figureAt(fromHeightMm), figureAt(toHeightMm), rig.height)
}
