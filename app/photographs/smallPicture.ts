import { context2d } from '~/workers/context2d'

const LONGEST_PX = 1200
const QUALITY = 0.78
const MOST_MEGAPIXELS = 60

/** A picture made small enough to be kept, as a JPEG data address; or why not, to go behind the file's name. */
export async function smallPicture(file: Blob): Promise<{ ok: true; address: string } | { ok: false; why: string }> {
  let bitmap: ImageBitmap
  try {
    bitmap = await createImageBitmap(file)
  } catch {
    return { ok: false, why: 'is no picture that can be read.' }
  }
  const { width, height } = bitmap
  if (width * height > MOST_MEGAPIXELS * 1e6) return { ok: false, why: `has more than ${MOST_MEGAPIXELS} megapixels.` }
  const shrink = Math.min(1, LONGEST_PX / Math.max(width, height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(width * shrink)
  canvas.height = Math.round(height * shrink)
  context2d(canvas).drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  return { ok: true, address: canvas.toDataURL('image/jpeg', QUALITY) }
}
