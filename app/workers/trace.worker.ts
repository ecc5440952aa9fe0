import { expose } from 'comlink'
import { findSheet } from '#core/trace/findSheet'
import { snapToOutline, toGray, type GrayPicture, type Snapped } from '#core/trace/snap'
import type { Vec2 } from '#core/vector/vec2'
import { pixelsOf } from './pixelsOf'

let picture: GrayPicture | null = null

/** Keeps one photograph's brightness and snaps marks to its outlines, away from the screen. */
const tracer = {
  async load(photo: Blob): Promise<void> {
    const { pixels, width, height } = await pixelsOf(photo)
    picture = toGray(pixels, width, height)
  },
  /** The corners of the sheet, as far as one is seen. */
  sheet(): Vec2[] | null {
    return picture && findSheet(picture)
  },
  snap(rough: Vec2[], reachPx: number): Snapped | null {
    return picture && snapToOutline(picture, rough, reachPx)
  },
}
export type Tracer = typeof tracer

expose(tracer)
