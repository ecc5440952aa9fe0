import { decimalsBackedBy } from '#core/math/units/figures'

/** A tenth of a degree is the finest that anyone at a bench can use. */
const decimals = (uncertaintyDeg: number): number => decimalsBackedBy(uncertaintyDeg, 1)

/** An angle in words, no finer than its uncertainty backs: "19.8°". */
export const angleText = (deg: number, uncertaintyDeg = 0.1): string =>
  `${withMinus(deg.toFixed(decimals(uncertaintyDeg)))}°`

/** An angle with how sure it is, both in degrees. */
export interface SureAngle {
  readonly deg: number
  readonly uncertaintyDeg: number
}

/** The sum of angles that stand beside it: it adds up as they are shown. */
export const sumText = (each: readonly SureAngle[], uncertaintyDeg: number): string =>
  angleText(
    each.reduce((sum, one) => sum + Number(one.deg.toFixed(decimals(one.uncertaintyDeg))), 0),
    uncertaintyDeg,
  )

/** A difference with its sign: "+0.4°", "−1.2°", "0.0°". */
export function differenceText(deg: number, uncertaintyDeg = 0.1): string {
  const figure = Math.abs(deg).toFixed(decimals(uncertaintyDeg))
  if (Number(figure) === 0) return `${figure}°`
  return `${deg > 0 ? '+' : '−'}${figure}°`
}

/** How an angle stands to the wanted one, that of the bevel or of what is said: "0.4° steeper than wanted". */
export function steepnessText(offDeg: number, uncertaintyDeg = 0.1, forWhat = ''): string {
  const figure = Math.abs(offDeg).toFixed(decimals(uncertaintyDeg))
  if (Number(figure) === 0) return `on the wanted angle${forWhat}`
  return `${figure}° ${offDeg > 0 ? 'steeper' : 'flatter'} than wanted${forWhat}`
}

const withMinus = (figure: string): string => figure.replace('-', '−')
