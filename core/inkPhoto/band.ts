import { clamp } from '../units/figures'
import type { Vec2 } from '../vector/vec2'

/** A picture in colour, row by row: red, green, blue and opacity of each pixel. */
export interface ColourPicture {
  readonly width: number
  readonly height: number
  readonly pixels: Uint8Array | Uint8ClampedArray
}

/**
 * The bevel in a picture: places by how far along it, pixels from its first end, and how far down its face, 0 at the
 * shoulder and 1 at the edge.
 */
export interface Band {
  readonly lengthPx: number
  /** From shoulder to edge in the middle. */
  readonly widthPx: number
  at(alongPx: number, down: number): Vec2
  /** The other way about. */
  downAt(place: Vec2): { alongPx: number; down: number }
}

/** Why no band can be laid through what was tapped. */
export type BandProblem = 'few-taps' | 'lines-meet' | 'apart' | 'too-narrow'
/** A band narrower than this, or shorter than so many widths, tells nothing. */
const LEAST_WIDTH_PX = 10

/**
 * The band between the taps on the edge and those on the shoulder, pixels: lines through them that follow a curved or
 * tilted bevel, over the length that both have. Taps err by a few pixels; four or more on a line are smoothed.
 * Source: docs/ink.md, "A look from a photograph".
 */
export function bandThrough(edge: readonly Vec2[], shoulder: readonly Vec2[]): Band | BandProblem {
  if (edge.length < 2 || shoulder.length < 2) return 'few-taps'
  // Both lines run from left to right, in whatever order they were tapped.
  const [first, last] = ends(edge)
  const size = Math.hypot(last[0] - first[0], last[1] - first[1])
  if (size < LEAST_WIDTH_PX) return 'too-narrow'
  const along: Vec2 = [(last[0] - first[0]) / size, (last[1] - first[1]) / size]
  const turned = ([x, y]: Vec2): Vec2 => [
    (x - first[0]) * along[0] + (y - first[1]) * along[1],
    (y - first[1]) * along[0] - (x - first[0]) * along[1],
  ]
  const [edgeTaps, shoulderTaps] = [edge, shoulder].map((taps) => taps.map(turned).sort((a, b) => a[0] - b[0])) as [
    Vec2[],
    Vec2[],
  ]
  const from = Math.max(edgeTaps[0]![0], shoulderTaps[0]![0])
  const to = Math.min(edgeTaps.at(-1)![0], shoulderTaps.at(-1)![0])
  if (to - from < LEAST_WIDTH_PX) return 'apart'
  const [edgeAt, shoulderAt] = [lineThrough(edgeTaps), lineThrough(shoulderTaps)]
  const widths = Array.from({ length: 21 }, (_, i) => {
    const u = from + ((to - from) * i) / 20
    return edgeAt(u) - shoulderAt(u)
  })
  if (widths.some((width) => width * widths[0]! <= 0)) return 'lines-meet'
  if (Math.min(...widths.map(Math.abs)) < LEAST_WIDTH_PX) return 'too-narrow'
  return {
    lengthPx: to - from,
    widthPx: Math.abs(widths[10]!),
    at(alongPx, down) {
      const u = from + alongPx
      const across = shoulderAt(u) + down * (edgeAt(u) - shoulderAt(u))
      return [first[0] + u * along[0] - across * along[1], first[1] + u * along[1] + across * along[0]]
    },
    downAt(place) {
      const [u, across] = turned(place)
      return { alongPx: u - from, down: (across - shoulderAt(u)) / (edgeAt(u) - shoulderAt(u)) }
    },
  }
}

const ends = (taps: readonly Vec2[]): [Vec2, Vec2] => {
  const wide = spreadOf(taps, 0) >= spreadOf(taps, 1) ? 0 : 1
  const by = [...taps].sort((a, b) => a[wide] - b[wide])
  return [by[0]!, by.at(-1)!]
}
const spreadOf = (taps: readonly Vec2[], i: 0 | 1): number =>
  Math.max(...taps.map((tap) => tap[i])) - Math.min(...taps.map((tap) => tap[i]))

/** Taps that lie this close to a parabola, as a share of their length, are on it: the rest is the hand's. */
const ON_PARABOLA = 0.006

/** The line through points in order of their first coordinate: a parabola where it fits, else from point to point. */
function lineThrough(points: readonly Vec2[]): (u: number) => number {
  if (points.length >= 4) {
    const bowed = parabolaThrough(points)
    const most = Math.max(4, ON_PARABOLA * (points.at(-1)![0] - points[0]![0]))
    if (bowed && points.every(([u, d]) => Math.abs(bowed(u) - d) <= most)) return bowed
  }
  return (u) => {
    let i = 1
    while (i < points.length - 1 && points[i]![0] < u) i++
    const [[u0, d0], [u1, d1]] = [points[i - 1]!, points[i]!]
    return u1 === u0 ? d1 : d0 + ((d1 - d0) * (u - u0)) / (u1 - u0)
  }
}

/** The parabola of least squares; null where the points do not tell one. */
function parabolaThrough(points: readonly Vec2[]): ((u: number) => number) | null {
  const [from, to] = [points[0]![0], points.at(-1)![0]]
  const unit = (u: number) => (2 * (u - from)) / (to - from) - 1
  const s = [0, 0, 0, 0, 0]
  const r = [0, 0, 0]
  for (const [u, d] of points) {
    const t = unit(u)
    for (let k = 0; k < 5; k++) s[k]! += t ** k
    for (let k = 0; k < 3; k++) r[k]! += d * t ** k
  }
  const det3 = (m: number[]) =>
    m[0]! * (m[4]! * m[8]! - m[5]! * m[7]!) -
    m[1]! * (m[3]! * m[8]! - m[5]! * m[6]!) +
    m[2]! * (m[3]! * m[7]! - m[4]! * m[6]!)
  const rows = [s.slice(0, 3), s.slice(1, 4), s.slice(2, 5)]
  const below = det3(rows.flat())
  if (Math.abs(below) < 1e-9) return null
  const [a, b, c] = [0, 1, 2].map(
    (k) => det3(rows.flatMap((row, i) => row.map((x, j) => (j === k ? r[i]! : x)))) / below,
  )
  return (u) => a! + b! * unit(u) + c! * unit(u) ** 2
}

/** A band laid straight: columns along it, rows from above its shoulder to beyond its edge. */
export interface Strip {
  readonly columns: number
  readonly rows: number
  /** Red, green and blue, 0 to 255, row by row. */
  readonly rgb: Float32Array
  /** Columns that lie outside of the picture are not told. */
  readonly outside: Uint8Array
}

/** A strip reaches from here to there, in widths of the face below the shoulder. */
export const STRIP_FROM = -1.2
export const STRIP_TO = 1.5
/** Rows that a face has in a strip. */
export const FACE_ROWS = 100
const MOST_COLUMNS = 1200
export const downOf = (row: number): number => STRIP_FROM + (row + 0.5) / FACE_ROWS
export const rowOf = (down: number): number => (down - STRIP_FROM) * FACE_ROWS - 0.5

/** Lays a band straight. Where the picture is finer than the strip, pixels are averaged. */
export function straightened(picture: ColourPicture, band: Band): Strip {
  const columns = Math.max(30, Math.min(MOST_COLUMNS, Math.round(band.lengthPx)))
  const rows = Math.round((STRIP_TO - STRIP_FROM) * FACE_ROWS)
  const rgb = new Float32Array(columns * rows * 3)
  const outside = new Uint8Array(columns)
  const finer = (px: number) => clamp(Math.round(px), [1, 6])
  const [across, downward] = [finer(band.lengthPx / columns), finer(band.widthPx / FACE_ROWS)]
  const parts = across * downward
  for (let column = 0; column < columns; column++) {
    for (let a = 0; a < across; a++) {
      const alongPx = ((column + (a + 0.5) / across) * band.lengthPx) / columns
      const [top, edge] = [band.at(alongPx, 0), band.at(alongPx, 1)]
      if (![top, edge].every((place) => isIn(picture, place))) outside[column] = 1
      const [dx, dy] = [edge[0] - top[0], edge[1] - top[1]]
      for (let row = 0; row < rows; row++)
        for (let d = 0; d < downward; d++) {
          const down = STRIP_FROM + (row + (d + 0.5) / downward) / FACE_ROWS
          addPixel(picture, top[0] + dx * down, top[1] + dy * down, rgb, 3 * (row * columns + column), parts)
        }
    }
  }
  return { columns, rows, rgb, outside }
}

const isIn = ({ width, height }: ColourPicture, [x, y]: Vec2): boolean =>
  x >= -0.5 && y >= -0.5 && x <= width + 0.5 && y <= height + 0.5

/** Adds what stands between pixels, bilinear, to a cell that is made of so many; the border goes on beyond. */
function addPixel(
  { width, height, pixels }: ColourPicture,
  x: number,
  y: number,
  rgb: Float32Array,
  to: number,
  parts: number,
) {
  const cx = Math.min(width - 1.001, Math.max(0, x - 0.5))
  const cy = Math.min(height - 1.001, Math.max(0, y - 0.5))
  const [ix, iy] = [cx | 0, cy | 0]
  const [fx, fy] = [cx - ix, cy - iy]
  const at = 4 * (iy * width + ix)
  const below = at + 4 * width
  for (let k = 0; k < 3; k++)
    rgb[to + k]! +=
      ((pixels[at + k]! * (1 - fx) + pixels[at + 4 + k]! * fx) * (1 - fy) +
        (pixels[below + k]! * (1 - fx) + pixels[below + 4 + k]! * fx) * fy) /
      parts
}
