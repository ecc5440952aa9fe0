import { fromMm, inchFraction, type LengthUnit } from '#core/math/units/length'
import { inchesAsFractions } from '~/stores/inchesAsFractions'

/** A length that is shown to a tenth of a millimetre is none other when it moves by half of that. */
const SHOWN_ALIKE_MM = 0.05
/** The same of one that is shown as it was entered. */
const ENTERED_ALIKE_MM = 0.0006
const fraction = (mm: number, unit: LengthUnit, toleranceMm: number): string | null =>
  unit === 'in' && inchesAsFractions.value ? inchFraction(mm, toleranceMm) : null
/** A length as it was entered, where that was a fraction of an inch: "1 3/16". */
export const enteredFraction = (mm: number, unit: LengthUnit): string | null => fraction(mm, unit, ENTERED_ALIKE_MM)

/** Decimals that a length is shown with: a tenth of a millimetre, or the inch's nearest to it. */
const DECIMALS = { mm: 1, in: 3 } as const

/** A length's figure in the unit in use, without the unit. */
export const lengthFigure = (mm: number, unit: LengthUnit): string =>
  fraction(mm, unit, SHOWN_ALIKE_MM) ??
  fromMm(mm, unit)
    .toFixed(DECIMALS[unit])
    .replace('-', '−')
    .replace(/^−(0\.?0*)$/, '$1')

/** A length with its unit: "22.0 mm". */
export const lengthText = (mm: number, unit: LengthUnit): string => `${lengthFigure(mm, unit)} ${unit}`

/** Decimals fine enough for a limit or a small measure: a hundredth of a millimetre. */
const EXACT_DECIMALS = { mm: 2, in: 4 } as const

/** A limit or a small measure with its unit and no digit too many: "0.25 mm", "600 mm". */
export const exactLength = (mm: number, unit: LengthUnit): string =>
  `${enteredFraction(mm, unit) ?? String(Number(fromMm(mm, unit).toFixed(EXACT_DECIMALS[unit]))).replace('-', '−')} ${unit}`

/** An area with its unit, to a thousandth of a square millimetre: "0.042 mm²". */
export const areaText = (mm2: number, unit: LengthUnit): string =>
  unit === 'mm' ? `${mm2.toFixed(3)} mm²` : `${(mm2 * fromMm(1, 'in') ** 2).toFixed(6)} in²`

/** A bevel's width, always to a hundredth of a millimetre, without its unit: "0.70". */
export const bevelFigure = (mm: number, unit: LengthUnit): string => fromMm(mm, unit).toFixed(EXACT_DECIMALS[unit])
