import { contours } from 'd3-contour'
import { otsu } from '../picture/otsu'
import { areaOf } from '../../math/vector/polygon'
import type { Vec2 } from '../../math/vector/vec2'
import type { PictureScale, SheetSize } from './pictureScale'
import type { GrayPicture } from '../picture/grayPicture'

/** The sheet is looked at so many times along its longer side. */
const LOOKED_AT = 800
/** So much along the sheet's border is left out: its own border, and what curls, mm. */
export const BORDER_MM = 2
/** Blade and paper are told apart from so many levels of brightness on; so much of the sheet a blade takes at least. */
const LEAST_CONTRAST = 25
const LEAST_SHARE = 0.004

/** The sheet looked at squarely, its shade taken out: 0 is paper, darker is more. */
export interface FlatSheet {
  readonly width: number
  readonly height: number
  readonly perMm: number
  readonly dark: Float64Array
}

/** A sheet in a picture, looked at squarely. */
export function flattened(
  picture: GrayPicture,
  { toPicture }: PictureScale,
  [widthMm, heightMm]: SheetSize,
): FlatSheet {
  const perMm = LOOKED_AT / Math.max(widthMm, heightMm)
  const [width, height] = [Math.round(widthMm * perMm), Math.round(heightMm * perMm)]
  const seen = new Float64Array(width * height)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      seen[y * width + x] = meanAround(picture, toPicture([(x + 0.5) / perMm, (y + 0.5) / perMm]))
  const border = Math.ceil(BORDER_MM * perMm)
  const within = (i: number) => {
    const [x, y] = [i % width, Math.floor(i / width)]
    return x >= border && y >= border && x < width - border && y < height - border
  }
  // The paper's own shade: a plane through what is bright, without what lies on it.
  const { at } = otsu([...seen].filter((_, i) => i % 3 === 0 && within(i)))
  const shade = planeThrough(seen, width, (i) => seen[i]! > at && within(i))
  return {
    width,
    height,
    perMm,
    dark: seen.map((bright, i) => (within(i) ? Math.max(0, shade(i % width, Math.floor(i / width)) - bright) : 0)),
  }
}

/** The mean of the nine pixels around a place; the border goes on beyond the picture. */
function meanAround({ width, height, pixels }: GrayPicture, [x, y]: Vec2): number {
  let sum = 0
  for (const dy of [-1, 0, 1])
    for (const dx of [-1, 0, 1]) {
      const [px, py] = [Math.floor(x) + dx, Math.floor(y) + dy]
      sum += pixels[Math.min(height - 1, Math.max(0, py)) * width + Math.min(width - 1, Math.max(0, px))]!
    }
  return sum / 9
}

/** A plane through the values that count, least squares. */
function planeThrough(values: Float64Array, width: number, counts: (i: number) => boolean) {
  let [n, sx, sy, sz, xx, xy, yy, xz, yz] = [0, 0, 0, 0, 0, 0, 0, 0, 0]
  for (let i = 0; i < values.length; i += 7) {
    if (!counts(i)) continue
    const [x, y, z] = [i % width, Math.floor(i / width), values[i]!]
    n++
    sx += x
    sy += y
    sz += z
    xx += x * x
    xy += x * y
    yy += y * y
    xz += x * z
    yz += y * z
  }
  if (n < 3) return () => 255
  const [mx, my, mz] = [sx / n, sy / n, sz / n]
  const [cxx, cxy, cyy] = [xx / n - mx * mx, xy / n - mx * my, yy / n - my * my]
  const [cxz, cyz] = [xz / n - mx * mz, yz / n - my * mz]
  const whole = cxx * cyy - cxy * cxy || 1
  const [a, b] = [(cxz * cyy - cyz * cxy) / whole, (cyz * cxx - cxz * cxy) / whole]
  return (x: number, y: number) => mz + a * (x - mx) + b * (y - my)
}

/** The outline of the largest dark thing on a sheet, mm on it; null where nothing stands out. Source: d3-contour. */
export function darkOutline({ width, height, perMm, dark }: FlatSheet): Vec2[] | null {
  const { at, below, above } = otsu([...dark].filter((_, i) => i % 3 === 0))
  if (above - below < LEAST_CONTRAST) return null
  const [found] = contours().size([width, height]).thresholds([at])([...dark])
  const outlines = found!.coordinates.map(([outer]) => outer!.slice(1) as unknown as Vec2[])
  const largest = outlines.reduce<Vec2[]>((most, one) => (areaOf(one) > areaOf(most) ? one : most), [])
  return areaOf(largest) < LEAST_SHARE * width * height ? null : largest.map(([x, y]): Vec2 => [x / perMm, y / perMm])
}

/** How bright it is at a place of the sheet, mm, against the paper there, which is 0. */
export const brightnessAt = ({ width, height, perMm, dark }: FlatSheet, [x, y]: Vec2): number => {
  const [px, py] = [Math.floor(x * perMm), Math.floor(y * perMm)]
  return px < 0 || py < 0 || px >= width || py >= height ? 0 : -dark[py * width + px]!
}
