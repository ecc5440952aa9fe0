import type { ColourPicture } from '#core/photo/picture/colourPicture'

/** A picture that a stand-in made, as the file that a camera would give. */
export async function pictureFile({ width, height, pixels }: ColourPicture, name: string): Promise<File> {
  const canvas = new OffscreenCanvas(width, height)
  canvas.getContext('2d')!.putImageData(new ImageData(Uint8ClampedArray.from(pixels), width, height), 0, 0)
  const blob = await canvas.convertToBlob()
  return new File([blob], name, { type: blob.type })
}
