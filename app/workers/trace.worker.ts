import { expose } from 'comlink'
import { snapToOutline, toGray, type GrayPicture } from '#core/trace/snap'
import type { Vec2 } from '#core/vector/vec2'

let picture: GrayPicture | null = null

/** Keeps one photograph's brightness and snaps marks to its outlines, away from the screen. */
const tracer = {
  async load(photo: Blob): Promise<void> {
    const bitmap = await createImageBitmap(photo)
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height)
    const context = canvas.getContext('2d', { willReadFrequently: true })!
    context.drawImage(bitmap, 0, 0)
    picture = toGray(context.getImageData(0, 0, bitmap.width, bitmap.height).data, bitmap.width, bitmap.height)
    bitmap.close()
  },
  snap(rough: Vec2[], reachPx: number): Vec2[] {
    return picture ? snapToOutline(picture, rough, reachPx) : []
  },
}
export type Tracer = typeof tracer

expose(tracer)
