import { fromMm, type LengthUnit } from '#core/units/length'

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
