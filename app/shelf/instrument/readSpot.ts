import { flatScreenDeg } from '#core/observe/goniometer/scale'
import { parseDecimal, parseLengthMm, type LengthUnit } from '#core/math/units/length'

/** Where spots are told from: the scale's degrees, or lengths from the middle of a flat screen so far away. */
export type SpotsIn = { readonly distanceMm: number; readonly unit: LengthUnit } | 'degrees'

/** What stands in a field of a goniometer's spot, in degrees or mm, and as an angle per side; or what is wrong. */
export type ReadSpot = { readonly figure: number; readonly deg: number } | { readonly problem: string }

/** The angle per side of a figure on the scale or the screen, degrees. */
export const spotDeg = (figure: number, spots: SpotsIn): number =>
  spots === 'degrees' ? figure : flatScreenDeg(figure, spots.distanceMm)

/** Reads a spot as it was typed; null where nothing was. */
export function readSpot(text: string, spots: SpotsIn): ReadSpot | null {
  const bare = text.replace('°', '')
  if (bare.trim() === '') return null
  const parsed = spots === 'degrees' ? parseDecimal(bare) : parseLengthMm(bare, spots.unit)
  if (!parsed.ok)
    return {
      problem:
        spots === 'degrees'
          ? 'Write the angle as a number, such as 17.5.'
          : 'Write how far the spot is from the middle of the screen.',
    }
  const deg = spotDeg(parsed.value, spots)
  return deg > 0 && deg < 60
    ? { figure: parsed.value, deg }
    : { problem: 'An angle per side lies above 0° and below 60°.' }
}
