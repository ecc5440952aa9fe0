import { expose } from 'comlink'
import { readGoniometerPhoto, type GoniometerPhotoAsk } from '#core/photo/goniometer/readGoniometerPhoto'
import { snapTick } from '#core/photo/goniometer/snapTick'
import type { ColourPicture } from '#core/photo/picture/colourPicture'
import type { Vec2 } from '#core/math/vector/vec2'
import { pixelsOf } from './pixelsOf'

let picture: ColourPicture | null = null

/** Keeps one photograph of a goniometer's screen and reads what stands on it, away from the screen. */
const reader = {
  async load(photo: Blob): Promise<void> {
    picture = await pixelsOf(photo)
  },
  snap: (tap: Vec2): Vec2 => (picture ? snapTick(picture, tap) : tap),
  read: (ask: Omit<GoniometerPhotoAsk, 'picture'>) => picture && readGoniometerPhoto({ ...ask, picture }),
}
export type GoniometerPhotoReader = typeof reader

expose(reader)
