import { nth } from '../../math/list'
import { SHAPES } from '../../records/blade/shapes'
import type { ShapeId } from '../../records/blade/shapeMeasures'
import { cornersOf } from '../../math/curve/corners'
import { evenEdgePoints, edgePointAt } from '../../math/curve/edgePoints'
import type { Curve } from '../../math/curve/curve'
import type { Vec2 } from '../../math/vector/vec2'
import type { GrayPicture } from '../picture/grayPicture'

/** How a picture is lit: brightness of blade and paper, noise (one standard deviation), a shadow outside the edge. */
export interface Light {
  readonly blade: number
  readonly noise: number
  readonly shadow?: number
  /** A bevel within the edge. */
  readonly bevel?: number
  /** The blade's own shadow on the paper, thrown so many pixels off, and how bright it is. */
  readonly cast?: { readonly by: Vec2; readonly bright: number }
}
const PAPER = 200
const SHADOW_PX = 14
const SIZE = { width: 1500, height: 700 }
const BAND_PX = SHADOW_PX + 2

/** Numbers that look random and are the same each time: even from 0 to 1, and with the normal's spread. */
export function numbers(seed: number) {
  let state = seed
  const even = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32
  const normal = () => Math.sqrt(-2 * Math.log(even() + 1e-12)) * Math.cos(2 * Math.PI * even())
  return { even, normal }
}

export interface DrawnPicture {
  readonly picture: GrayPicture
  /** What a hand presses: a dozen places along the edge, six pixels off, and its corners. */
  readonly marks: Vec2[]
  readonly spine: [Vec2, Vec2]
  readonly edge: Curve
  readonly pxPerMm: number
}

/** A blade of the library, photographed squarely: its border two pixels soft. */
export function drawnPicture(id: ShapeId, light: Light, seed: number): DrawnPicture {
  const { even, normal } = numbers(seed)
  const { usual, build } = SHAPES[id]
  const { edge, spine } = build(usual)
  const pxPerMm = Math.min(1200 / usual.lengthMm, 18)
  const turn = (even() - 0.5) * 0.15
  const [cos, sin] = [pxPerMm * Math.cos(turn), pxPerMm * Math.sin(turn)]
  const seen = ([x, y]: Vec2): Vec2 => [120 + x * cos - y * sin, 200 + x * sin + y * cos]
  const along = (curve: Curve, count: number) => evenEdgePoints(curve, count).map(({ point }) => seen(point))
  const shape = along(edge, 500)
  const { inside, away } = drawnOnce(`${id} ${seed}`, () => ({
    inside: filled([...shape, ...along(spine, 300).reverse()], SIZE),
    away: distances(shape),
  }))
  const pixels = new Uint8Array(inside.length)
  const paper = shadowed(inside, light.cast)
  const lit = inside.map((is, i) => {
    const far = away[i]!
    const outside = light.shadow !== undefined && far < SHADOW_PX ? light.shadow : paper[i]!
    const steel = light.bevel !== undefined && far < SHADOW_PX ? light.bevel : light.blade
    const covered = far < 1 ? Math.max(0, Math.min(1, 0.5 + (is ? far : -far))) : is
    return covered * steel + (1 - covered) * outside
  })
  soft(soft(lit)).forEach((bright, i) => (pixels[i] = Math.max(0, Math.min(255, bright + light.noise * normal()))))
  const shaken = (point: Vec2, by: number): Vec2 => [point[0] + (even() - 0.5) * by, point[1] + (even() - 0.5) * by]
  const corners = cornersOf(edge).map(({ fromHeelMm }) => fromHeelMm)
  const near = (at: number) => corners.some((corner) => Math.abs(corner - at) * pxPerMm < 40)
  const rough = evenEdgePoints(edge, 14).filter(({ fromHeelMm }, i) => i === 0 || i === 13 || !near(fromHeelMm))
  const marks = [
    ...rough.map((at) => ({ at, by: 12 })),
    ...corners.map((at) => ({ at: edgePointAt(edge, at), by: 4 })),
  ].sort((a, b) => a.at.fromHeelMm - b.at.fromHeelMm)
  return {
    picture: { ...SIZE, pixels },
    marks: marks.map(({ at, by }) => shaken(seen(at.point), by)),
    spine: [seen([0, 0]), seen([usual.lengthMm / 2, 0])],
    edge,
    pxPerMm,
  }
}

/** The paper with the blade's shadow on it, a few pixels soft. */
function shadowed(inside: Float32Array, cast: Light['cast']): Float32Array {
  if (!cast) return inside.map(() => PAPER)
  const [dx, dy] = cast.by.map(Math.round)
  const dark = inside.map((_, i) => (inside[i - dy! * SIZE.width - dx!] ? cast.bright : PAPER))
  return soft(soft(soft(dark)))
}

/** The same blade is photographed in several lights. */
const drawn = new Map<string, { inside: Float32Array; away: Float32Array }>()
function drawnOnce(key: string, draw: () => { inside: Float32Array; away: Float32Array }) {
  const known = drawn.get(key) ?? draw()
  drawn.set(key, known)
  return known
}

/** 1 for each pixel whose middle lies within an outline. */
export function filled(outline: readonly Vec2[], { width, height }: { width: number; height: number }): Float32Array {
  const crossed: number[][] = Array.from({ length: height }, () => [])
  outline.forEach((a, i) => {
    const b = nth(outline, (i + 1) % outline.length)
    const [low, high] = a[1] < b[1] ? [a[1], b[1]] : [b[1], a[1]]
    for (let y = Math.max(0, Math.ceil(low - 0.5)); y < Math.min(height, Math.ceil(high - 0.5)); y++)
      nth(crossed, y).push(a[0] + ((y + 0.5 - a[1]) / (b[1] - a[1])) * (b[0] - a[0]))
  })
  const inside = new Float32Array(width * height)
  crossed.forEach((row, y) => {
    row.sort((a, b) => a - b)
    for (let i = 0; i + 1 < row.length; i += 2)
      inside.fill(
        1,
        y * width + Math.max(0, Math.ceil(nth(row, i) - 0.5)),
        y * width + Math.ceil(nth(row, i + 1) - 0.5),
      )
  })
  return inside
}

/** How far each pixel near a chain of points lies from it. */
function distances(chain: readonly Vec2[]): Float32Array {
  const { width, height } = SIZE
  const far = new Float32Array(width * height).fill(Infinity)
  for (let i = 1; i < chain.length; i++) {
    const [[x, y], [toX, toY]] = [nth(chain, i - 1), nth(chain, i)]
    const [dx, dy] = [toX - x, toY - y]
    const square = dx * dx + dy * dy || 1
    const [left, right] = [Math.min(x, toX) - BAND_PX, Math.max(x, toX) + BAND_PX]
    for (let py = Math.max(0, Math.floor(Math.min(y, toY) - BAND_PX)); py <= Math.max(y, toY) + BAND_PX; py++)
      for (let px = Math.max(0, Math.floor(left)); px <= right; px++) {
        const [ax, ay] = [px + 0.5 - x, py + 0.5 - y]
        const share = Math.max(0, Math.min(1, (ax * dx + ay * dy) / square))
        const at = py * width + px
        far[at] = Math.min(far[at]!, Math.hypot(ax - share * dx, ay - share * dy))
      }
  }
  return far
}

/** The mean of each pixel and those around it. */
function soft(pixels: Float32Array): Float32Array {
  const { width } = SIZE
  const of = Float32Array.from(pixels)
  const row = (i: number) => pixels[i - 1]! + pixels[i]! + pixels[i + 1]!
  for (let i = width + 1; i < pixels.length - width - 1; i++) of[i] = (row(i - width) + row(i) + row(i + width)) / 9
  return of
}
