import { failed, type Result } from '#core/schema/result'

const MOST_MEGAPIXELS = 24

/** How large a chosen picture is, pixels; or why it is not taken. */
export async function openPicture(
  file: File,
): Promise<
  Result<{ readonly width: number; readonly height: number }, 'picture-unreadable' | 'picture-of-too-many-pixels'>
> {
  const { name } = file
  try {
    const bitmap = await createImageBitmap(file)
    const { width, height } = bitmap
    bitmap.close()
    const megapixels = (width * height) / 1e6
    if (megapixels <= MOST_MEGAPIXELS) return { ok: true, width, height }
    const figures = { name, megapixels: Math.round(megapixels), most: MOST_MEGAPIXELS }
    return failed('picture-of-too-many-pixels', figures)
  } catch {
    return failed('picture-unreadable', { name })
  }
}
