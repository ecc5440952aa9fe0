import { context2d } from '~/workers/context2d'
import { pictureOf } from './pictureOf'

const LONGEST_PX = 1200
const QUALITY = 0.78
const MOST_MEGAPIXELS = 60

/** A picture made small enough to be kept, as a JPEG data address; or why not. */
export async function smallPicture(file: File) {
  const opened = await pictureOf(file, MOST_MEGAPIXELS)
  if (!opened.ok) return opened
  const { bitmap } = opened
  const shrink = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(bitmap.width * shrink)
  canvas.height = Math.round(bitmap.height * shrink)
  context2d(canvas).drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  return { ok: true as const, address: canvas.toDataURL('image/jpeg', QUALITY) }
}
