import { bench, describe } from 'vitest'
import { inkPhotograph } from './inkPhotograph'
import type { Vec2 } from '../../math/vector/vec2'
import { readInkPhoto } from '../../photo/marker/readInkPhoto'

const TIMES = 4.4
const { picture, edge, shoulder } = inkPhotograph({
  seed: 0.3,
  ink: 'blue',
  cover: 0.9,
  background: 'light',
  glare: true,
  tiltDeg: 4,
  bow: 0.3,
  blurPx: 1,
  bare: (along) => [[0, 0.3 + 0.3 * along]],
  inkAbove: 0.4,
  bareAbove: 0,
})
const [width, height] = [4000, 3000]
const pixels = new Uint8ClampedArray(4 * width * height)
for (let y = 0; y < height; y++)
  for (let x = 0; x < width; x++) {
    const from = 4 * (Math.min(picture.height - 1, Math.floor(y / TIMES)) * picture.width + Math.floor(x / TIMES))
    for (let k = 0; k < 4; k++) pixels[4 * (y * width + x) + k] = picture.pixels[from + k]!
  }
const larger = (taps: readonly Vec2[]) => taps.map(([x, y]): Vec2 => [x * TIMES, y * TIMES])

describe('a photograph of 12 megapixels', () => {
  bench('what is bare of the ink, in four zones', () => {
    const parts = [0, 1, 2, 3].map((i) => [i / 4, (i + 1) / 4] as const)
    const ask = { picture: { width, height, pixels }, edge: larger(edge), shoulder: larger(shoulder), ink: null, parts }
    const read = readInkPhoto(ask)
    if (!read.ok) throw new Error(read.code)
  })
})
