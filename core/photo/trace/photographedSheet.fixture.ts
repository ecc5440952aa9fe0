import { nth } from '../../math/list'
import { SHAPES } from '../../records/blade/shapes'
import type { ShapeId } from '../../records/blade/shapeMeasures'
import { evenEdgePoints } from '../../math/curve/edgePoints'
import type { Curve } from '../../math/curve/curve'
import type { Vec2 } from '../../math/vector/vec2'
import { filled, numbers } from './drawnPicture.fixture'
import type { Lens } from './lens'
import { scaleOfSheet, type PictureScale } from './pictureScale'
import type { GrayPicture } from '../picture/grayPicture'

export const SIZE = { width: 1500, height: 1100 }
export const A4 = [297, 210] as const
/** The sheet's corners as they are seen. */
export const SEEN: Vec2[] = [
  [150, 130],
  [1360, 90],
  [1430, 1010],
  [80, 960],
]
const PER_MM = 8

export interface Scene {
  readonly blade: number
  readonly noise: number
  /** How a lens bows the picture; null: not at all. */
  readonly lens?: Lens | null
  /** Turned on the sheet by so much, degrees; and laid with its other flat up. */
  readonly turnDeg?: number
  readonly flipped?: boolean
  /** A handle of a brightness behind the heel, narrower than the blade there. */
  readonly handle?: number
  /** A bevel along the edge, a millimetre wide, of a brightness. */
  readonly bevel?: number
}

export interface PhotographedSheet {
  readonly picture: GrayPicture
  readonly scale: PictureScale
  readonly edge: Curve
  readonly lengthMm: number
  readonly toSheet: (inBlade: Vec2) => Vec2
}

const PAPER = 215
const TABLE = 95
const BEVEL_MM = 1

/** Worked out once for all the pictures that have it in common. */
function once<T>(make: (key: string) => T): (key: string) => T {
  const made = new Map<string, T>()
  return (key) => {
    const known = made.get(key) ?? make(key)
    made.set(key, known)
    return known
  }
}
/** Which cell of the sheet's grid a place of the picture shows, seen through a lens; −1 beside the sheet. */
const cellThrough = (lens: Lens | null) => {
  const { toMm } = scaleOfSheet(SEEN, A4, lens)!
  return (x: number, y: number): number => {
    const [mx, my] = toMm([x, y])
    if (mx < 0 || my < 0 || mx >= A4[0] || my >= A4[1]) return -1
    return Math.floor(my * PER_MM) * A4[0] * PER_MM + Math.floor(mx * PER_MM)
  }
}
/** The cells at the middles of all pixels, by the lens as JSON. */
const middleCells = once((lens) => {
  const cell = cellThrough(JSON.parse(lens) as Lens | null)
  const { width, height } = SIZE
  return Int32Array.from({ length: width * height }, (_, i) => cell((i % width) + 0.5, Math.floor(i / width) + 0.5))
})
/** The noise of all pixels, of a seed. */
const noiseOf = once((seed) => {
  const { even, normal } = numbers(Number(seed))
  even()
  return Float64Array.from({ length: SIZE.width * SIZE.height }, normal)
})

/** A blade of the library on an A4 sheet on a table, photographed from one side, one half of it in the shade. */
export function photographedSheet(id: ShapeId, scene: Scene, seed = 5): PhotographedSheet {
  const { usual, build } = SHAPES[id]
  const shown = usual.lengthMm > 200 ? 200 / usual.lengthMm : 1
  const { edge, spine } = build(usual)
  const turn = ((scene.turnDeg ?? 4) * Math.PI) / 180
  const toSheet = ([x, y]: Vec2): Vec2 => {
    const [along, across] = [shown * (x - usual.lengthMm / 2) + 15, shown * (scene.flipped ? -1 : 1) * (y - 14)]
    return [
      148 + along * Math.cos(turn) - across * Math.sin(turn),
      105 + along * Math.sin(turn) + across * Math.cos(turn),
    ]
  }
  const grid = { width: A4[0] * PER_MM, height: A4[1] * PER_MM }
  const onGrid = (points: readonly Vec2[]) => points.map(toSheet).map(([x, y]): Vec2 => [x * PER_MM, y * PER_MM])
  const along = (curve: Curve, count: number) => evenEdgePoints(curve, count).map(({ point }) => point)
  const edgeLine = along(edge, 500)
  const steel = filled(onGrid([...edgeLine, ...along(spine, 300).reverse()]), grid)
  const behind = evenEdgePoints(edge, 500).map(({ point, heading: [hx, hy] }): Vec2 => [
    point[0] + (BEVEL_MM / shown) * hy,
    point[1] - (BEVEL_MM / shown) * hx,
  ])
  const bevel = scene.bevel === undefined ? null : filled(onGrid([...edgeLine, ...behind.reverse()]), grid)
  const [top, bottom] = [spine, edge].map((curve) => nth(evenEdgePoints(curve, 2), 0).point[1]) as [number, number]
  const high = bottom - top
  const handle =
    scene.handle === undefined
      ? null
      : filled(
          onGrid([
            [-70 / shown, top + 0.08 * high],
            [1, top + 0.08 * high],
            [1, top + 0.7 * high],
            [-70 / shown, top + 0.7 * high],
          ]),
          grid,
        )
  const lens = scene.lens ?? null
  const scale = scaleOfSheet(SEEN, A4, lens)!
  const { width, height } = SIZE
  const pixels = new Uint8Array(width * height)
  const brightnessOf = (cell: number): number => {
    if (cell < 0) return TABLE
    if (steel[cell]) return bevel?.[cell] ? scene.bevel! : scene.blade
    return handle?.[cell] ? scene.handle! : PAPER
  }
  const cellAt = cellThrough(lens)
  const middles = Float32Array.from(middleCells(JSON.stringify(lens)), brightnessOf)
  const mean = (x: number, y: number): number => {
    // A pixel that is like those around it is so all over.
    const i = y * width + x
    const here = middles[i]!
    if ([i - width, i - 1, i + 1, i + width].every((beside) => (middles[beside] ?? here) === here)) return here
    let sum = 0
    for (let i = 0; i < 9; i++)
      sum += brightnessOf(cellAt(x + 0.17 + 0.33 * (i % 3), y + 0.17 + 0.33 * Math.floor(i / 3)))
    return sum / 9
  }
  const noise = noiseOf(String(seed))
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x
      const seen = mean(x, y) - (x / width) * 30 + scene.noise * noise[i]!
      pixels[i] = Math.max(0, Math.min(255, seen))
    }
  return { picture: { width, height, pixels }, scale, edge, lengthMm: shown * usual.lengthMm, toSheet }
}
