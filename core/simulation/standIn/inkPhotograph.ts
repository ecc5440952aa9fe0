import { randomLcg, randomNormal, randomUniform } from 'd3-random'
import { nth } from '../../math/list'
import type { Span } from '../../observe/marker/exposed'
import type { ColourPicture } from '../../photo/picture/colourPicture'
import type { Colour } from '../../photo/marker/inkOrSteel'
import type { Vec2 } from '../../math/vector/vec2'

export type InkKind = 'black' | 'blue' | 'red' | 'green'
const INK: Record<InkKind, Colour> = {
  black: [26, 26, 28],
  blue: [34, 48, 140],
  red: [160, 28, 40],
  green: [24, 110, 60],
}

export interface InkPhotographAsk {
  readonly seed: number
  readonly ink: InkKind
  /** How much of the steel a coat of ink hides, 0 to 1. */
  readonly cover: number
  readonly background: 'dark' | 'light'
  readonly glare: boolean
  /** The band's tilt in the picture, degrees, and how far its middle hangs below its ends, in widths of the face. */
  readonly tiltDeg: number
  readonly bow: number
  /** Soft over so many pixels. */
  readonly blurPx: number
  /** Bare spans of the face at a fraction along the band, 0 at its left: from the shoulder (0) to the edge (1). */
  bare(along: number): readonly Span[]
  /** Ink reaches so far above the shoulder, in widths of the face, and begins again so far above it. */
  readonly inkAbove: number
  readonly bareAbove: number
}

export interface InkPhotograph {
  readonly picture: ColourPicture
  /** Places on both lines, pixels, as they truly are, evenly from left to right. */
  readonly edge: readonly Vec2[]
  readonly shoulder: readonly Vec2[]
}

const [WIDTH, HEIGHT] = [900, 520]
const FACE_PX = 84
const PLACES = 5

/** A made-up photograph of an inked bevel after a light pass, edge down. Source: docs/ink.md, "The simulated bench". */
export function inkPhotograph(ask: InkPhotographAsk): InkPhotograph {
  const source = randomLcg(ask.seed)
  const uniform = randomUniform.source(source)(0, 1)
  const normal = randomNormal.source(source)(0, 1)
  const slope = Math.tan((ask.tiltDeg * Math.PI) / 180)
  const wobble = [uniform() * 6, uniform() * 6, 1 + 2 * uniform()]
  const edgeAt = (x: number) => {
    const t = (2 * x) / WIDTH - 1
    return HEIGHT * 0.58 + slope * (x - WIDTH / 2) + ask.bow * FACE_PX * (1 - t * t)
  }
  const shoulderAt = (x: number) =>
    edgeAt(x) - FACE_PX + 1.2 * Math.sin(x / 97 + nth(wobble, 0)) + 0.8 * Math.sin(x / 41 + nth(wobble, 1))
  const glares = ask.glare ? [0.25 + 0.1 * uniform(), 0.65 + 0.1 * uniform()].map((at) => at * WIDTH) : []
  const tooth = Array.from({ length: WIDTH + 400 }, () => normal())
  const texture = Array.from({ length: WIDTH + 400 }, () => normal())
  const lines = Array.from({ length: HEIGHT }, () => normal())
  const levels = new Float32Array(3 * WIDTH * HEIGHT)
  for (let x = 0; x < WIDTH; x++) {
    const [edge, shoulder] = [edgeAt(x), shoulderAt(x)]
    const spans = ask.bare(x / WIDTH)
    // The line where a stone has stopped is ragged; at the face's own ends it is not.
    const ragged = 0.012 * (nth(tooth, x) + nth(tooth, x + 1) + nth(tooth, x + 2))
    const light = 1 - 0.22 * (x / WIDTH - 0.5) ** 2 * 4
    const shine = glares.reduce((sum, at) => sum + Math.exp(-(((x - at) / 34) ** 2)), 0)
    for (let y = 0; y < HEIGHT; y++) {
      const down = (y + 0.5 - shoulder) / (edge - shoulder)
      const colour = colourAt(down, spans, ragged, x, y)
      for (let k = 0; k < 3; k++) levels[3 * (y * WIDTH + x) + k] = nth(colour, k) * light
    }

    function colourAt(down: number, bare: readonly Span[], rag: number, px: number, py: number): Colour {
      if (down > 1) {
        const [dark, warm] = ask.background === 'dark' ? [42, 4] : [206, 6]
        const shade = dark * (0.8 + 0.4 * Math.abs(px / WIDTH - 0.5))
        return [shade, shade, shade - warm]
      }
      const isBare = bare.some(
        ([from, to]) => down >= (from <= 0 ? 0 : from + rag) && down <= (to >= 1 ? 1 : to + rag) && down >= 0,
      )
      const scratch = nth(texture, Math.max(0, Math.round(px + 0.45 * (py - shoulder))) + 20)
      const steel = down < 0 ? 116 + 4 * nth(lines, py) : isBare ? 178 + 16 * scratch : 140 + 8 * scratch
      const lit: Colour = [
        steel + shine * (down < 0 ? 70 : 110),
        steel + shine * (down < 0 ? 70 : 110),
        steel + 5 + shine * (down < 0 ? 70 : 110),
      ]
      const inked = down >= -ask.inkAbove && down < -ask.bareAbove ? true : down >= 0 && !isBare
      if (!inked) return lit
      const gloss = 16 * shine
      const seen = (k: 0 | 1 | 2) => ask.cover * INK[ask.ink][k] + (1 - ask.cover) * nth(lit, k) + gloss
      return [seen(0), seen(1), seen(2)]
    }
  }
  const pixels = new Uint8ClampedArray(4 * WIDTH * HEIGHT)
  softened(levels, ask.blurPx)
  for (let i = 0; i < WIDTH * HEIGHT; i++) {
    for (let k = 0; k < 3; k++) pixels[4 * i + k] = levels[3 * i + k]! + 2 * normal()
    pixels[4 * i + 3] = 255
  }
  const places = Array.from({ length: PLACES }, (_, i) => 10 + ((WIDTH - 20) * i) / (PLACES - 1))
  return {
    picture: { width: WIDTH, height: HEIGHT, pixels },
    edge: places.map((x): Vec2 => [x, edgeAt(x)]),
    shoulder: places.map((x): Vec2 => [x, shoulderAt(x)]),
  }
}

/** A picture made soft: each pixel the mean of those around it, down and across. */
function softened(levels: Float32Array, px: number): void {
  const reach = Math.round(px)
  if (reach === 0) return
  for (const [count, length, step, next] of [
    [HEIGHT, WIDTH, 3, 3 * WIDTH],
    [WIDTH, HEIGHT, 3 * WIDTH, 3],
  ] as const) {
    const line = new Float32Array(length)
    for (let i = 0; i < count; i++)
      for (let k = 0; k < 3; k++) {
        const start = i * next + k
        for (let j = 0; j < length; j++) line[j] = levels[start + j * step]!
        for (let j = 0; j < length; j++) {
          let [sum, n] = [0, 0]
          for (let m = Math.max(0, j - reach); m <= Math.min(length - 1, j + reach); m++, n++) sum += line[m]!
          levels[start + j * step] = sum / n
        }
      }
  }
}
