import type { Vec2 } from '../../math/vector/vec2'
import { applied, homographyOf } from './homography'
import { bowed, straightened, type Lens } from './lens'

/** The way from a picture (pixels) to millimetres on what was photographed, and back. */
export interface PictureScale {
  readonly toMm: (at: Vec2) => Vec2
  readonly toPicture: (mm: Vec2) => Vec2
}

/** A sheet's width, along its first side, and height, mm. */
export type SheetSize = readonly [widthMm: number, heightMm: number]

/**
 * From a sheet's four corners in the picture, clockwise as seen, through a lens that bows it; null where three of them
 * lie on a line. Source: docs/geometry.md, "Tracing a photograph".
 */
export function scaleOfSheet(
  corners: readonly Vec2[],
  [width, height]: SheetSize,
  lens: Lens | null,
): PictureScale | null {
  const sheet: Vec2[] = [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ]
  const seen = corners.map((corner) => straightened(lens, corner))
  const [there, back] = [homographyOf(seen, sheet), homographyOf(sheet, seen)]
  return (
    there &&
    back && {
      toMm: (at) => applied(there, straightened(lens, at)),
      toPicture: (mm) => bowed(lens, applied(back, mm)),
    }
  )
}

/** The picture as it is, so many millimetres for a pixel: from two points of known distance, looked at squarely. */
export const evenScale = (mmPerPixel: number): PictureScale => ({
  toMm: ([x, y]) => [x * mmPerPixel, y * mmPerPixel],
  toPicture: ([x, y]) => [x / mmPerPixel, y / mmPerPixel],
})
