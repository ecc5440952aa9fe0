import { randomLcg, randomNormal } from 'd3-random'
import { nth } from '../../math/list'
import { flatScreenMm, type Screen } from '../../observe/goniometer/scale'
import type { Tick } from '../../photo/goniometer/ticks'
import type { ColourPicture } from '../../photo/picture/colourPicture'
import { degrees, radians } from '../../math/units/angle'
import { bodiesOf, type ThrownSide } from './thrownPattern'

export interface GoniometerPhotographAsk {
  readonly seed: number
  readonly screen: Screen
  /** At lower degrees, and at greater. */
  readonly sides: readonly [lower: ThrownSide, upper: ThrownSide]
  /** The whole pattern lies so far towards greater degrees. */
  readonly askewDeg: number
  /** How far the edge is turned in the beam, degrees. */
  readonly turnedDeg?: number
  /** The scale's tilt in the picture, degrees. */
  readonly tiltDeg: number
  readonly laser: 'red' | 'green'
  /** How bright it is: above 1 the spots are overexposed. */
  readonly bright: number
  /** Of the sensor, in steps of 255. */
  readonly noise: number
}

const [WIDTH, HEIGHT] = [1280, 480]
const PX_PER_DEG = 17
const SHADE = [78, 76, 72] as const

/** Where a face sends the beam: along the scale, and its parts beside it, onward and up. */
interface Turned {
  readonly alongDeg: number
  readonly beside: number
  readonly onward: number
  readonly up: number
}
/** The same of a face at an angle whose edge is turned in the beam: the mirrored ray, d − 2 (d · n) n. */
function turnedOf(deg: number, turned: number): Turned {
  const [sin, cos, a] = [Math.sin(turned), Math.cos(turned), 2 * radians(deg)]
  const [onward, up] = [sin * sin + cos * cos * Math.cos(a), cos * Math.sin(a)]
  return { alongDeg: degrees(Math.atan2(up, onward)) / 2, beside: sin * cos * (1 - Math.cos(a)), onward, up }
}

/** A made-up photograph of a goniometer's screen, and where its ticks stand. Source: docs/goniometer.md, "Stand-in". */
export function goniometerPhotograph(ask: GoniometerPhotographAsk): { picture: ColourPicture; ticks: Tick[] } {
  const { screen, sides, askewDeg, laser, bright } = ask
  const normal = randomNormal.source(randomLcg(ask.seed))(0, 1)
  const [cos, sin] = [Math.cos(radians(ask.tiltDeg)), Math.sin(radians(ask.tiltDeg))]
  const middle = [WIDTH / 2, HEIGHT / 2]
  // As many pixels for the first degree on both kinds of screen.
  const alongOf = (deg: number) =>
    PX_PER_DEG * (screen.kind === 'arc' ? deg : flatScreenMm(deg, 1) / flatScreenMm(1, 1))
  const turned = radians(ask.turnedDeg ?? 0)
  const placed = bodiesOf(sides).map((body) => ({
    ...body,
    fromPx: alongOf(turnedOf(body.from, turned).alongDeg + askewDeg),
    toPx: alongOf(turnedOf(body.to, turned).alongDeg + askewDeg),
    besidePx: asidePx(turnedOf((body.from + body.to) / 2, turned)),
    soft: body.softDeg * PX_PER_DEG,
    high: body.highDeg * PX_PER_DEG,
  }))
  /** What is sent off aside falls on the screen so far beside the scale's line: straight on, or on a sphere's arc. */
  function asidePx({ beside, onward, up }: Turned): number {
    const perUnit = PX_PER_DEG / (screen.kind === 'arc' ? 2 * radians(1) : Math.tan(2 * radians(1)))
    return perUnit * (screen.kind === 'arc' ? beside / Math.hypot(onward, up) : beside / onward)
  }
  const ticksDeg = Array.from({ length: 71 }, (_, i) => i - 35)
  const ticksPx = ticksDeg.map((deg) => ({ px: alongOf(deg), long: deg % 5 === 0 }))
  const pixels = new Uint8ClampedArray(4 * WIDTH * HEIGHT)
  const colour = laser === 'red' ? [1, 0.18, 0.2] : [0.15, 1, 0.25]
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const [dx, dy] = [x + 0.5 - nth(middle, 0), y + 0.5 - nth(middle, 1)]
      const [along, across] = [dx * cos + dy * sin, dy * cos - dx * sin]
      let light = 0
      if (Math.abs(across) < 60)
        for (const { fromPx, toPx, besidePx, soft, high, light: of } of placed) {
          const out = Math.max(fromPx - along, along - toPx, 0)
          if (out < 4 * soft) light += of * Math.exp(-((out / soft) ** 2) / 2 - ((across - besidePx) / high) ** 2 / 2)
        }
      const tick = across > 31 && across < 56 ? ticksPx.find(({ px }) => Math.abs(along - px) < 1) : undefined
      const dark = tick && across < (tick.long ? 56 : 43) ? 0.25 : 1
      const far = 1 - 0.15 * ((dx / WIDTH) ** 2 + (dy / HEIGHT) ** 2)
      for (let k = 0; k < 3; k++)
        pixels[4 * (y * WIDTH + x) + k] =
          nth(SHADE, k) * dark * far + 190 * bright * light * nth(colour, k) + ask.noise * normal()
      pixels[4 * (y * WIDTH + x) + 3] = 255
    }
  const ticks = [-20, 0, 20].map((deg): Tick => {
    const [along, across] = [alongOf(deg), 31 + 12]
    return {
      deg,
      at: [nth(middle, 0) + along * cos - across * sin, nth(middle, 1) + along * sin + across * cos],
    }
  })
  return { picture: { width: WIDTH, height: HEIGHT, pixels }, ticks }
}
