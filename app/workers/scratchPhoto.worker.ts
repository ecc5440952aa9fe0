import { expose } from 'comlink'
import { bandThrough } from '#core/photo/marker/band'
import { toGray, type GrayPicture } from '#core/photo/picture/grayPicture'
import { leanDeg } from '#core/photo/scratches/faceGrid'
import {
  readScratchPhoto,
  type ScratchPhotoAsk,
  type ScratchPhotoReading,
} from '#core/photo/scratches/readScratchPhoto'
import type { Vec2 } from '#core/math/vector/vec2'
import { pixelsOf } from './pixelsOf'

let picture: GrayPicture | null = null

export type ScratchLine = readonly [Vec2, Vec2]
type Asked = Pick<ScratchPhotoAsk, 'edge' | 'shoulder' | 'parts'> & {
  /** Two places along a scratch of either stone. */
  readonly newLine: ScratchLine
  readonly oldLine: ScratchLine
}

/** Keeps one close-up of a bevel between two stones and reads its scratches, away from the screen. */
const reader = {
  async load(photo: Blob): Promise<void> {
    const { width, height, pixels } = await pixelsOf(photo)
    picture = toGray(pixels, width, height)
  },
  read({ newLine, oldLine, ...ask }: Asked): ScratchPhotoReading | null {
    if (!picture) return null
    const band = bandThrough(ask.edge, ask.shoulder)
    if (!band.ok) return band
    const directions = { newDeg: leanDeg(band, newLine), oldDeg: leanDeg(band, oldLine) }
    return readScratchPhoto({ ...ask, ...directions, picture, oldPx: null })
  },
}
export type ScratchPhotoReader = typeof reader

expose(reader)
