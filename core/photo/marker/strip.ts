import type { ColourPicture } from '../picture/colourPicture'
import { clamp } from '../../math/units/figures'
import type { Vec2 } from '../../math/vector/vec2'
import type { Band } from './band'

/** A band laid straight: columns along it, rows from above its shoulder to beyond its edge. */
export interface Strip {
  readonly columns: number
  readonly rows: number
  /** Red, green and blue, 0 to 255, row by row. */
  readonly rgb: Float32Array
  /** Columns that lie outside of the picture are not observed. */
  readonly outside: Uint8Array
}

/** A strip reaches from here to there, in widths of the face below the shoulder. */
export const STRIP_FROM = -1.2
export const STRIP_TO = 1.5
/** Rows that a face has in a strip. */
export const FACE_ROWS = 100
const MOST_COLUMNS = 1200
export const downOf = (row: number): number => STRIP_FROM + (row + 0.5) / FACE_ROWS
export const rowOf = (down: number): number => (down - STRIP_FROM) * FACE_ROWS - 0.5

/** Lays a band straight. Where the picture is finer than the strip, pixels are averaged. */
export function straightened(picture: ColourPicture, band: Band): Strip {
  const columns = Math.max(30, Math.min(MOST_COLUMNS, Math.round(band.lengthPx)))
  const rows = Math.round((STRIP_TO - STRIP_FROM) * FACE_ROWS)
  const rgb = new Float32Array(columns * rows * 3)
  const outside = new Uint8Array(columns)
  const finer = (px: number) => clamp(Math.round(px), [1, 6])
  const [across, downward] = [finer(band.lengthPx / columns), finer(band.widthPx / FACE_ROWS)]
  const parts = across * downward
  for (let column = 0; column < columns; column++) {
    for (let a = 0; a < across; a++) {
      const alongPx = ((column + (a + 0.5) / across) * band.lengthPx) / columns
      const [top, edge] = [band.at(alongPx, 0), band.at(alongPx, 1)]
      if (![top, edge].every((place) => isIn(picture, place))) outside[column] = 1
      const [dx, dy] = [edge[0] - top[0], edge[1] - top[1]]
      for (let row = 0; row < rows; row++)
        for (let d = 0; d < downward; d++) {
          const down = STRIP_FROM + (row + (d + 0.5) / downward) / FACE_ROWS
          addPixel(picture, top[0] + dx * down, top[1] + dy * down, rgb, 3 * (row * columns + column), parts)
        }
    }
  }
  return { columns, rows, rgb, outside }
}

const isIn = ({ width, height }: ColourPicture, [x, y]: Vec2): boolean =>
  x >= -0.5 && y >= -0.5 && x <= width + 0.5 && y <= height + 0.5

/** Adds what stands between pixels, bilinear, to a cell that is made of so many; the border goes on beyond. */
function addPixel(
  { width, height, pixels }: ColourPicture,
  x: number,
  y: number,
  rgb: Float32Array,
  to: number,
  parts: number,
) {
  const cx = Math.min(width - 1.001, Math.max(0, x - 0.5))
  const cy = Math.min(height - 1.001, Math.max(0, y - 0.5))
  const [ix, iy] = [cx | 0, cy | 0]
  const [fx, fy] = [cx - ix, cy - iy]
  const at = 4 * (iy * width + ix)
  const below = at + 4 * width
  for (let k = 0; k < 3; k++)
    rgb[to + k]! +=
      ((pixels[at + k]! * (1 - fx) + pixels[at + 4 + k]! * fx) * (1 - fy) +
        (pixels[below + k]! * (1 - fx) + pixels[below + 4 + k]! * fx) * fy) /
      parts
}
