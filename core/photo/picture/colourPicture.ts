/** A picture in colour, row by row: red, green, blue and opacity of each pixel. */
export interface ColourPicture {
  readonly width: number
  readonly height: number
  readonly pixels: Uint8Array | Uint8ClampedArray
}
