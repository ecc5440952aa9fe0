import type { WidthCause, WidthChecked } from '#core/observe/bevelWidth/bevelCheck'
import type { WidthMeans } from '#core/log/choices'
import type { PerSide } from '#core/records/common/side'
import { fromMm, type LengthUnit } from '#core/math/units/length'
import { angleText } from './angleText'
import { bevelFigure, exactLength } from './lengthText'

export const MEANS_WORD: Record<WidthMeans, string> = { loupe: 'a loupe with a scale', photograph: 'a photograph' }

/** A width with its unit and no digit that its uncertainty does not back: "0.8 mm", "0.82 mm". */
export function widthText(mm: number, uncertaintyMm: number, unit: LengthUnit): string {
  if (unit === 'mm' && uncertaintyMm >= 0.1) return `${mm.toFixed(1)} mm`
  if (unit === 'in') return `${fromMm(mm, unit).toFixed(uncertaintyMm >= 0.03 ? 3 : 4)} in`
  return `${bevelFigure(mm, unit)} ${unit}`
}

/** What a measured width comes to against the predicted one. */
export function againstText(
  { differsMm, uncertaintyMm, predictedUncertaintyMm, agrees }: WidthChecked,
  unit: LengthUnit,
): string {
  if (agrees) return 'as wide as it must be'
  const by = widthText(Math.abs(differsMm), Math.hypot(uncertaintyMm, predictedUncertaintyMm), unit)
  return `${by} too ${differsMm > 0 ? 'wide' : 'narrow'}`
}

/** What a wrong width says. */
export function widthCauseText(cause: WidthCause, names: PerSide<string>, unit: LengthUnit): string {
  if (cause.what === 'not-through')
    return `Has a burr come up on ${cause.sides.map((side) => names[side]).join(' and ')}? Until the new face reaches from shoulder to apex it is narrower.`
  const times = cause.times < 1 ? 'within what it is known to' : `${cause.times.toFixed(1)} times what it is known to`
  const size = Math.abs(cause.off)
  if (cause.what === 'thickness')
    return `The blade is about ${exactLength(size, unit)} ${cause.off > 0 ? 'thicker' : 'thinner'} behind the edge than written down: ${times}.`
  if (cause.what === 'apex')
    return `The apex lies about ${exactLength(size, unit)} towards ${names[cause.off > 0 ? 'A' : 'B']}, off the middle of the blade: ${times}.`
  const on = cause.what === 'angle' ? '' : ` of ${names[cause.what === 'angle-A' ? 'A' : 'B']}`
  return `The edge angle${on} is about ${angleText(size, 0.3)} ${cause.off > 0 ? 'steeper' : 'flatter'} than it is said to be: ${times}.`
}
