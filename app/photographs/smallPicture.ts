import { failed, type Result } from '#core/schema/result'
import { context2d } from '~/workers/context2d'

const LONGEST_PX = 1200
const QUALITY = 0.78
const MOST_MEGAPIXELS = 60

/** A picture made small enough to be kept, as a JPEG data address; or why not. */
export async function smallPicture(
  file: File,
): Promise<Result<{ readonly address: string }, 'picture-unreadable' | 'picture-of-too-many-pixels'>> {
  const { name } = file
  let bitmap: ImageBitmap
  try {
    bitmap = await createImageBitmap(file)
  } catch {
    return failed('picture-unreadable', { name })
  }
  const { width, height } = bitmap
  const megapixels = (width * height) / 1e6
  if (megapixels > MOST_MEGAPIXELS)
    return failed('picture-of-too-many-pixels', { name, megapixels: Math.round(megapixels), most: MOST_MEGAPIXELS })
  const shrink = Math.min(1, LONGEST_PX / Math.max(width, height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(width * shrink)
  canvas.height = Math.round(height * shrink)
  context2d(canvas).drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  return { ok: true, address: canvas.toDataURL('image/jpeg', QUALITY) }
}
