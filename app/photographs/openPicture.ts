const MOST_MEGAPIXELS = 24

/** How large a chosen picture is, pixels; or, in words, why it is not taken. */
export async function openPicture(
  file: File,
): Promise<
  { readonly ok: true; readonly width: number; readonly height: number } | { readonly ok: false; why: string }
> {
  try {
    const bitmap = await createImageBitmap(file)
    const { width, height } = bitmap
    bitmap.close()
    const megapixels = (width * height) / 1e6
    if (megapixels <= MOST_MEGAPIXELS) return { ok: true, width, height }
    const why = `${file.name} has ${Math.round(megapixels)} megapixels: make it ${MOST_MEGAPIXELS} or fewer first.`
    return { ok: false, why: `${why} What was here is kept.` }
  } catch {
    return { ok: false, why: `${file.name} is no picture that can be read. What was here is kept.` }
  }
}
