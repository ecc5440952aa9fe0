import type { LengthUnit } from '#core/math/units/length'
import { fromMm } from '#core/math/units/length'

/** How well a measure is known, with its unit: "0.25 mm", "0.2°". A tolerance keeps its own digits. */
export const toleranceText = (
  { unit, tolerance }: { unit: 'mm' | 'deg'; tolerance: number },
  lengths: LengthUnit,
): string =>
  unit === 'deg'
    ? `${Number(tolerance.toFixed(2))}°`
    : `${Number(fromMm(tolerance, lengths).toFixed(lengths === 'mm' ? 2 : 4))} ${lengths}`
