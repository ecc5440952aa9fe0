import { nth } from '../../math/list'
import { otsu } from '../picture/otsu'
import { downOf, rowOf, STRIP_FROM, type Strip } from './strip'

/** The colour of an ink: what a pixel of it shows, 0 to 255. */
export type Colour = readonly [red: number, green: number, blue: number]

/** Ink told from bare steel in a strip. */
export interface InkMask {
  /** 1 where steel is bare, 0 where there is ink; row by row like the strip. */
  readonly bare: Uint8Array
  /** Per column: how many times their own spread ink and steel lie apart there. */
  readonly apart: Float32Array
  readonly ink: Colour
}

/** The bevel and what was inked above it: where ink is looked for. */
const [INKED_FROM, INKED_TO] = [-0.35, 1]
/** A hue that stands out like this over steel's grey is an ink's. */
const COLOURED = 0.2
/** Ink covers at least so much of what is looked at, or there is none. */
const LEAST_INK = 0.02
/** Logarithm of brightness: a black ink is darker than steel by at least this. */
const LEAST_DARKER = 0.55
/** How the light changes along the band is seen above this, in widths of the face below the shoulder. */
const LIGHT_TO = -0.7
/** Columns over which light is taken to be even. */
const WINDOW = 60
const DARK = 8

/**
 * Tells ink from bare steel, cell by cell: a coloured ink by its hue, which neither glare nor shade changes, a black
 * one by how dark it is against the steel about it. `picked`: the ink's colour as it was pointed at. Null where nothing
 * looks like ink. Source: docs/ink.md, "A test from a photograph".
 */
export function inkOrSteel(strip: Strip, picked: Colour | null): InkMask | null {
  const ink = picked ?? inkIn(strip)
  if (!ink) return null
  const hue = hueOf(ink[0], ink[1], ink[2])
  const inkHue = Math.hypot(hue[0], hue[1])
  const coloured = inkHue >= COLOURED
  const feature = smoothed(
    strip,
    coloured
      ? (r, g, b) => {
          const [p, q] = hueOf(r, g, b)
          return -(p * hue[0] + q * hue[1]) / inkHue
        }
      : (r, g, b) => Math.log(DARK + (r + g + b) / 3),
  )
  if (!coloured) evenLight(strip, feature)
  return { ...split(strip, feature, coloured), ink }
}

/** Takes out of the brightness what changes along the band above the ink too: shade, and bands of glare. */
function evenLight({ columns, rows }: Strip, bright: Float32Array): void {
  const [from, to] = [0, Math.round(rowOf(LIGHT_TO))]
  const light = new Float64Array(columns)
  for (let column = 0; column < columns; column++)
    for (let row = from; row < to; row++) light[column]! += bright[row * columns + column]! / (to - from)
  const middle = nth(
    [...light].sort((a, b) => a - b),
    columns >> 1,
  )
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) bright[row * columns + column]! -= light[column]! - middle
}

/** How far a colour lies from grey, two ways, over its brightness. */
function hueOf(r: number, g: number, b: number): [number, number] {
  const bright = (r + g + b) / 3 + 2 * DARK
  return [(r - g) / bright, ((r + g) / 2 - b) / bright]
}

/** The ink's colour: the strongest hue where there is one, else the dark of what is dark and light. */
function inkIn(strip: Strip): Colour | null {
  const cells = cellsOf(strip, -1, INKED_TO)
  const hues = cells.map((i) => Math.hypot(...hueOf(strip.rgb[3 * i]!, strip.rgb[3 * i + 1]!, strip.rgb[3 * i + 2]!)))
  const byHue = otsu(hues)
  if (byHue.above - byHue.below > COLOURED && byHue.fractionAbove > LEAST_INK)
    return meanOf(
      strip,
      cells.filter((_, k) => nth(hues, k) > byHue.at),
    )
  const lights = cells.map((i) =>
    Math.log(DARK + (strip.rgb[3 * i]! + strip.rgb[3 * i + 1]! + strip.rgb[3 * i + 2]!) / 3),
  )
  const byLight = otsu(lights)
  if (byLight.above - byLight.below < LEAST_DARKER || 1 - byLight.fractionAbove < LEAST_INK) return null
  return meanOf(
    strip,
    cells.filter((_, k) => nth(lights, k) < byLight.at),
  )
}

/** Some cells between two heights, for a look at the whole. */
function cellsOf({ columns, rows, outside }: Strip, from: number, to: number): number[] {
  const cells: number[] = []
  for (let row = Math.max(0, Math.ceil(rowOf(from))); row < Math.min(rows, rowOf(to)); row += 3)
    for (let column = row % 7; column < columns; column += 7) if (!outside[column]) cells.push(row * columns + column)
  return cells
}

function meanOf({ rgb }: Strip, cells: readonly number[]): Colour {
  const sums = [0, 0, 0]
  for (const i of cells) for (let k = 0; k < 3; k++) sums[k]! += rgb[3 * i + k]!
  const [red, green, blue] = sums.map((sum) => sum / Math.max(1, cells.length))
  return [red!, green!, blue!]
}

/** A figure of each cell, averaged over its neighbours: scratches and specks are smaller than that. */
function smoothed({ columns, rows, rgb }: Strip, of: (r: number, g: number, b: number) => number): Float32Array {
  const raw = new Float32Array(columns * rows)
  for (let i = 0; i < raw.length; i++) raw[i] = of(rgb[3 * i]!, rgb[3 * i + 1]!, rgb[3 * i + 2]!)
  const out = new Float32Array(raw.length)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      let [sum, n] = [0, 0]
      for (let y = Math.max(0, row - 1); y <= Math.min(rows - 1, row + 1); y++)
        for (let x = Math.max(0, column - 2); x <= Math.min(columns - 1, column + 2); x++) {
          sum += raw[y * columns + x]!
          n++
        }
      out[row * columns + column] = sum / n
    }
  return out
}

/**
 * Splits a strip where its two kinds part: for each stretch of columns by its own light where both kinds are in it,
 * else as the whole has it.
 */
function split(strip: Strip, feature: Float32Array, coloured: boolean): Pick<InkMask, 'bare' | 'apart'> {
  const { columns } = strip
  const least = coloured ? COLOURED / 2 : LEAST_DARKER
  const valuesIn = (from: number, to: number, top: number) => cellsBetween(strip, from, to, top).map((i) => feature[i]!)
  const whole = otsu(valuesIn(0, columns, -1))
  const thresholds = new Float32Array(columns)
  const apart = new Float32Array(columns)
  for (let from = 0; from < columns; from += WINDOW / 2) {
    const to = Math.min(columns, from + WINDOW / 2)
    const here = otsu(valuesIn(Math.max(0, from - WINDOW / 4), Math.min(columns, to + WINDOW / 4), INKED_FROM))
    const both = here.above - here.below > Math.max(least, 0.45 * (whole.above - whole.below))
    const found = both && Math.min(here.fractionAbove, 1 - here.fractionAbove) > LEAST_INK ? here : whole
    thresholds.fill(found.at, from, to)
    apart.fill((found.above - found.below) / Math.max(1e-3, found.spread), from, to)
  }
  const bare = new Uint8Array(feature.length)
  for (let i = 0; i < bare.length; i++) bare[i] = feature[i]! > thresholds[i % columns]! ? 1 : 0
  return { bare, apart }
}

function cellsBetween({ columns, outside }: Strip, from: number, to: number, top: number): number[] {
  const cells: number[] = []
  for (let row = Math.ceil(rowOf(Math.max(top, STRIP_FROM))); downOf(row) < 0.97; row += 2)
    for (let column = from; column < to; column += 3) if (!outside[column]) cells.push(row * columns + column)
  return cells
}
