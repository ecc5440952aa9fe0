import { fromMm, type LengthUnit } from '#core/math/units/length'

/** Decimals that a length is shown with: a tenth of a millimetre, or the inch's nearest to it. */
const DECIMALS = { mm: 1, in: 3 } as const

/** A length's figure in the unit in use, without the unit. */
export const lengthFigure = (mm: number, unit: LengthUnit): string =>
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
  `${String(Number(fromMm(mm, unit).toFixed(EXACT_DECIMALS[unit]))).replace('-', '−')} ${unit}`

/** An area with its unit, to a thousandth of a square millimetre: "0.042 mm²". */
export const areaText = (mm2: number, unit: LengthUnit): string =>
  unit === 'mm' ? `${mm2.toFixed(3)} mm²` : `${(mm2 * fromMm(1, 'in') ** 2).toFixed(6)} in²`

/** A bevel's width, always to a hundredth of a millimetre, without its unit: "0.70". */
export const bevelFigure = (mm: number, unit: LengthUnit): string => fromMm(mm, unit).toFixed(EXACT_DECIMALS[unit])
