import { context2d } from '~/workers/context2d'
import type { ColourPicture } from '#core/photo/picture/colourPicture'

/** A photograph's pixels, in a worker. */
export async function pixelsOf(photo: Blob): Promise<ColourPicture> {
  const bitmap = await createImageBitmap(photo)
  const { width, height } = bitmap
  const canvas = new OffscreenCanvas(width, height)
  const context = context2d(canvas, { willReadFrequently: true })
  context.drawImage(bitmap, 0, 0)
  bitmap.close()
  return { width, height, pixels: context.getImageData(0, 0, width, height).data }
}
