import { bench } from 'vitest'
import { goniometerPhotograph } from './goniometerPhotograph'
import { readGoniometerPhoto } from '../../photo/goniometer/readGoniometerPhoto'

const { picture, ticks } = goniometerPhotograph({
  seed: 0.3,
  screen: { kind: 'arc' },
  sides: [
    { primaryDeg: 3, edge: { finish: 'crisp', fromDeg: 17, toDeg: 17 } },
    { primaryDeg: 3, edge: { finish: 'hazy', fromDeg: 14, toDeg: 18 } },
  ],
  askewDeg: 0.4,
  tiltDeg: 2,
  laser: 'red',
  bright: 0.9,
  noise: 4,
})
/** The same, as a camera of 12 megapixels and more takes it. */
const TIMES = 5
const [width, height] = [picture.width * TIMES, picture.height * TIMES]
const pixels = new Uint8ClampedArray(4 * width * height)
for (let y = 0; y < height; y++)
  for (let x = 0; x < width; x++) {
    const from = 4 * (Math.floor(y / TIMES) * picture.width + Math.floor(x / TIMES))
    for (let k = 0; k < 4; k++) pixels[4 * (y * width + x) + k] = picture.pixels[from + k]!
  }
const large = {
  picture: { width, height, pixels },
  ticks: ticks.map(({ deg, at }) => ({ deg, at: [at[0] * TIMES, at[1] * TIMES] as const })),
}

bench('a photograph of 15 megapixels is read', () => {
  readGoniometerPhoto({ ...large, screen: { kind: 'arc' } })
})
