import { failed, type Result } from '#core/schema/result'
import { kindOfFile } from '~/workers/kindOfFile'

/** A chosen file as a picture that may have so many megapixels; or why it is not taken. The picture is to be closed. */
export async function pictureOf(
  file: File,
  mostMegapixels: number,
): Promise<Result<{ readonly bitmap: ImageBitmap }, 'picture-unreadable' | 'picture-of-too-many-pixels'>> {
  const { name } = file
  try {
    const bitmap = await createImageBitmap(file)
    const megapixels = (bitmap.width * bitmap.height) / 1e6
    if (megapixels <= mostMegapixels) return { ok: true, bitmap }
    bitmap.close()
    return failed('picture-of-too-many-pixels', { name, megapixels: Math.round(megapixels), most: mostMegapixels })
  } catch {
    const kind = await kindOfFile(file)
    return failed('picture-unreadable', kind === 'picture' || kind === 'unknown' ? { name } : { name, kind })
  }
}
