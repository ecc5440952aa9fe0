import { failed, type Result } from '#core/schema/result'
import { flatScreenDeg } from '#core/observe/goniometer/scale'
import { parseDecimal, parseLengthMm, type LengthUnit } from '#core/math/units/length'

/** Where spots are told from: the scale's degrees, or lengths from the middle of a flat screen so far away. */
export type SpotsIn = { readonly distanceMm: number; readonly unit: LengthUnit } | 'degrees'

/** What stands in a field of a goniometer's spot, in degrees or mm, and as an angle per side; or what is wrong. */
export type ReadSpot = Result<
  { readonly figure: number; readonly deg: number },
  'angle-missing' | 'spot-distance-missing' | 'spot-out-of-range'
>

/** No edge is as blunt as this per side, degrees. */
const MOST_DEG = 60

/** The angle per side of a figure on the scale or the screen, degrees. */
export const spotDeg = (figure: number, spots: SpotsIn): number =>
  spots === 'degrees' ? figure : flatScreenDeg(figure, spots.distanceMm)

/** Reads a spot as it was typed; null where nothing was. `mayBeZero`: it may stand in the middle. */
export function readSpot(text: string, spots: SpotsIn, mayBeZero = false): ReadSpot | null {
  const bare = text.replace('°', '')
  if (bare.trim() === '') return null
  const parsed = spots === 'degrees' ? parseDecimal(bare) : parseLengthMm(bare, spots.unit)
  if (!parsed.ok) return failed(spots === 'degrees' ? 'angle-missing' : 'spot-distance-missing')
  const deg = spotDeg(parsed.value, spots)
  return (deg > 0 || (mayBeZero && deg === 0)) && deg < MOST_DEG
    ? { ok: true, figure: parsed.value, deg }
    : failed('spot-out-of-range', { mostDeg: MOST_DEG })
}
