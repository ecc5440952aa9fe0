/** A picture's brightness, row by row. */
export interface GrayPicture {
  readonly width: number
  readonly height: number
  readonly pixels: Uint8Array | Uint8ClampedArray
}

/** Brightness between pixels, bilinear; the border goes on beyond the picture. */
export function brightness({ width, height, pixels }: GrayPicture, x: number, y: number): number {
  const [cx, cy] = [Math.min(width - 1.001, Math.max(0, x)), Math.min(height - 1.001, Math.max(0, y))]
  const [ix, iy] = [Math.floor(cx), Math.floor(cy)]
  const [fx, fy] = [cx - ix, cy - iy]
  const row = iy * width + ix
  return (
    (pixels[row]! * (1 - fx) + pixels[row + 1]! * fx) * (1 - fy) +
    (pixels[row + width]! * (1 - fx) + pixels[row + width + 1]! * fx) * fy
  )
}

/** Brightness of an RGBA picture, by the usual weights of the three colours. */
export function toGray(rgba: Uint8Array | Uint8ClampedArray, width: number, height: number): GrayPicture {
  const pixels = new Uint8Array(width * height)
  for (let i = 0, k = 0; i < pixels.length; i++, k += 4)
    pixels[i] = (rgba[k]! * 77 + rgba[k + 1]! * 150 + rgba[k + 2]! * 29) >> 8
  return { width, height, pixels }
}
