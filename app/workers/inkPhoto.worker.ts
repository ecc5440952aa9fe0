import { expose, transfer } from 'comlink'
import { nth } from '#core/math/list'
import { STRIP_FROM, STRIP_TO } from '#core/photo/marker/strip'
import type { ColourPicture } from '#core/photo/picture/colourPicture'
import type { Colour } from '#core/photo/marker/inkOrSteel'
import { readInkPhoto, type InkPhotoAsk, type PhotoColumn, type PhotoPart } from '#core/photo/marker/readInkPhoto'
import type { Vec2 } from '#core/math/vector/vec2'
import { pixelsOf } from './pixelsOf'

let picture: ColourPicture | null = null

/** The band laid straight, to be drawn, with what was found in it. */
export interface StraightBand {
  readonly width: number
  readonly height: number
  readonly rgba: Uint8ClampedArray<ArrayBuffer>
  /** From and to, in widths of the face below the shoulder. */
  readonly fromDown: number
  readonly toDown: number
  readonly columns: readonly PhotoColumn[]
}

/** Keeps one photograph and reads what is bare of its inked bevel, away from the screen. */
const reader = {
  async load(photo: Blob): Promise<void> {
    picture = await pixelsOf(photo)
  },
  /** The colour about a place, pixels. */
  colourAt([x, y]: Vec2): Colour | null {
    if (!picture) return null
    const sums = [0, 0, 0]
    let n = 0
    for (let dy = -2; dy <= 2; dy++)
      for (let dx = -2; dx <= 2; dx++) {
        const [px, py] = [Math.round(x) + dx, Math.round(y) + dy]
        if (px < 0 || py < 0 || px >= picture.width || py >= picture.height) continue
        for (let k = 0; k < 3; k++) sums[k]! += picture.pixels[4 * (py * picture.width + px) + k]!
        n++
      }
    return n === 0 ? null : [nth(sums, 0) / n, nth(sums, 1) / n, nth(sums, 2) / n]
  },
  read(ask: Omit<InkPhotoAsk, 'picture'>) {
    if (!picture) return null
    const found = readInkPhoto({ ...ask, picture })
    if (!found.ok) return found
    const { strip, columns, parts, ink } = found
    const rgba = new Uint8ClampedArray(strip.columns * strip.rows * 4)
    for (let i = 0; i < strip.columns * strip.rows; i++) {
      for (let k = 0; k < 3; k++) rgba[4 * i + k] = strip.rgb[3 * i + k]!
      rgba[4 * i + 3] = 255
    }
    const size = { width: strip.columns, height: strip.rows, fromDown: STRIP_FROM, toDown: STRIP_TO }
    const band: StraightBand = { ...size, rgba, columns }
    return transfer({ ok: true as const, ink, parts: parts as readonly PhotoPart[], band }, [rgba.buffer])
  },
}
export type InkPhotoReader = typeof reader

expose(reader)
