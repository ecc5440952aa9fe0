import { context2d } from '~/workers/context2d'
import type { ColourPicture } from '#core/photo/picture/colourPicture'

/** A picture that a stand-in made, as the file that a camera would give. */
export async function pictureFile({ width, height, pixels }: ColourPicture, name: string): Promise<File> {
  const canvas = new OffscreenCanvas(width, height)
  context2d(canvas).putImageData(new ImageData(Uint8ClampedArray.from(pixels), width, height), 0, 0)
  const blob = await canvas.convertToBlob()
  return new File([blob], name, { type: blob.type })
}
