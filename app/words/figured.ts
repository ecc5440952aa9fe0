import type { LengthUnit } from '#core/math/units/length'
import type { Figures } from '#core/schema/result'
import { angleText } from './angleText'
import { exactLength, lengthText } from './lengthText'

export type Say = (say: Figured) => string

/** The figures of a finding as texts in the unit in use. */
export interface Figured {
  /** As it is. */
  text(key: string): string
  /** A length in mm, exact: "0.25 mm". */
  mm(key: string): string
  /** A length that was measured or computed, to a tenth: "22.0 mm". */
  length(key: string): string
  /** An angle in degrees, to a tenth. */
  angle(key: string): string
  /** A limit with the unit that the problem names. */
  limit(key: string): string
  has(key: string): boolean
}

export const figured = (figures: Figures, unit: LengthUnit): Figured => ({
  has: (key) => key in figures,
  text: (key) => String(figures[key] ?? ''),
  mm: (key) => exactLength(Number(figures[key]), unit),
  length: (key) => lengthText(Number(figures[key]), unit),
  angle: (key) => angleText(Number(figures[key])),
  limit(key) {
    const figure = Number(figures[key])
    if (figures.unit === 'mm') return exactLength(figure, unit)
    return figures.unit === 'deg' ? `${figure}°` : String(figure)
  },
})
