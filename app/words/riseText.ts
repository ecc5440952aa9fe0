import { figureOf } from '#core/dial/marks'
import { dialStep, settingOfHeight } from '#core/rig/dial'
import type { Rig } from '#core/rig/rig'
import { fromMm, type LengthUnit } from '#core/units/length'

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
  if (rig.height.by === 'turns') {
    const divisions = Math.round(1 / dialStep(rig.height))
    const marks = Math.round(((toHeightMm - fromHeightMm) / rig.height.pitchMm) * divisions)
    const [whole, rest] = [Math.floor(Math.abs(marks) / divisions), Math.abs(marks) % divisions]
    const parts = [
      whole > 0 ? `${whole} ${whole === 1 ? 'turn' : 'turns'}` : '',
      rest > 0 || whole === 0 ? `${rest} ${rest === 1 ? 'mark' : 'marks'}` : '',
    ]
      .filter(Boolean)
      .join(' ')
    return marks === 0 ? 'nothing' : `${marks > 0 ? '+' : '−'}${parts}`
  }
  if (rig.height.by === 'degree-scale')
    return `${signed(figureOf(settingOfHeight(rig, toHeightMm)) - figureOf(settingOfHeight(rig, fromHeightMm)), 1)}° on the scale`
  return ''
}
