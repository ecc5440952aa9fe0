import type { Finish } from '../../log/choices'
import type { ColourPicture } from '../picture/colourPicture'
import { clamp } from '../../math/units/figures'
import type { PictureScale } from './ticks'

/** Something bright on the screen. Pixels along the scale, and beside it. */
export interface Spot {
  readonly fromPx: number
  readonly middlePx: number
  readonly toPx: number
  readonly besidePx: number
  /** Across the scale, its standard deviation. */
  readonly heightPx: number
  readonly finish: Finish
  /** How bright it is at its brightest, against the noise. */
  readonly overNoise: number
}

/** The pattern is looked for so far beside the scale, in lengths between the outermost ticks. */
const BESIDE = 0.35
/** Cells along a scale between its outermost ticks: about a twentieth of a degree each. */
const CELLS = 800
/** A spot stands out of the noise by so much, and is this of the brightest at least: no ground is quite even. */
const STANDS_OUT = 6
const OF_BRIGHTEST = 0.06
/** What is wider than this, in cells at half its height, is a haze or a line. */
const DOT_CELLS = 26
/** A line is as bright nearly all along: its width this high up against that at half of its height. */
const HIGH = 0.8
const LINE_FROM = 0.78
const OVEREXPOSED = 250
/** Pixels that are enough to tell the laser’s colour. */
const SAMPLED = 50_000

/** What is bright of the laser along a scale, in its order. Source: docs/goniometer.md, "From a photograph". */
export function spotsOn(picture: ColourPicture, scale: PictureScale): Spot[] {
  const strip = laserAlong(picture, scale)
  const row = brightestRow(strip)
  if (row === null) return []
  const profile = profileAt(strip, row)
  const noise = spreadOf(profile)
  const least = Math.max(STANDS_OUT * noise, OF_BRIGHTEST * Math.max(...profile))
  return peaksOf(profile, least).map((peak) => {
    const top = profile[peak]!
    const [from, to] = [crossing(profile, peak, top / 2, -1), crossing(profile, peak, top / 2, 1)]
    const width = to - from
    const bright = crossing(profile, peak, HIGH * top, 1) - crossing(profile, peak, HIGH * top, -1)
    const finish = width <= DOT_CELLS ? 'crisp' : bright / width > LINE_FROM ? 'convex' : 'hazy'
    const across = acrossOf(strip, row, from, to)
    const along = (cell: number) => strip.fromPx + (cell + 0.5) * strip.cellPx
    return {
      fromPx: along(from),
      middlePx: along(finish === 'convex' ? (from + to) / 2 : middleOf(profile, from, to, top / 2)),
      toPx: along(to),
      besidePx: (across.middle + 0.5) * strip.cellPx - strip.besidePx,
      heightPx: across.sigma * strip.cellPx,
      finish,
      overNoise: top / noise,
    }
  })
}

/** The laser’s light in cells along the scale (columns) and beside it (rows). */
interface LaserStrip {
  readonly columns: number
  readonly rows: number
  readonly cellPx: number
  readonly fromPx: number
  /** Half of its width. */
  readonly besidePx: number
  readonly light: Float32Array
}

function laserAlong(picture: ColourPicture, scale: PictureScale): LaserStrip {
  const { width, height } = picture
  const cellPx = scale.lengthPx / CELLS
  const corners = [
    [0, 0],
    [width, 0],
    [0, height],
    [width, height],
  ].map(([x, y]) => (x! - scale.from[0]) * scale.along[0] + (y! - scale.from[1]) * scale.along[1])
  const fromPx = Math.max(Math.min(...corners), -scale.lengthPx)
  const toPx = Math.min(Math.max(...corners), 2 * scale.lengthPx)
  const columns = Math.max(1, Math.ceil((toPx - fromPx) / cellPx))
  const besidePx = BESIDE * scale.lengthPx
  const rows = Math.ceil((2 * besidePx) / cellPx)
  const light = new Float32Array(columns * rows)
  const finer = clamp(Math.round(cellPx), [1, 4])
  const channel = laserChannel(picture)
  const [ux, uy] = [scale.along[0], scale.along[1]]
  const [left, top] = [scale.from[0] + ux * fromPx + uy * besidePx, scale.from[1] + uy * fromPx - ux * besidePx]
  // A hot loop: no vectors are made in it.
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      let sum = 0
      let count = 0
      for (let a = 0; a < finer; a++)
        for (let b = 0; b < finer; b++) {
          const along = (column + (a + 0.5) / finer) * cellPx
          const beside = (row + (b + 0.5) / finer) * cellPx
          const x = Math.floor(left + ux * along - uy * beside)
          const y = Math.floor(top + uy * along + ux * beside)
          if (x < 0 || y < 0 || x >= width || y >= height) continue
          sum += laserLight(picture, 4 * (y * width + x), channel)
          count++
        }
      light[row * columns + column] = count > 0 ? sum / count : 0
    }
  const ground = median(light)
  for (let i = 0; i < light.length; i++) light[i]! -= ground
  return { columns, rows, cellPx, fromPx, besidePx, light }
}

/** A colour against the mean of the other two; what is overexposed has lost its colour. */
function laserLight({ pixels }: ColourPicture, i: number, channel: number): number {
  const own = pixels[i + channel]!
  const others = pixels[i + ((channel + 1) % 3)]! + pixels[i + ((channel + 2) % 3)]!
  return others / 2 > OVEREXPOSED ? 255 : own - others / 2
}

/** Of red, green and blue the one that stands out most somewhere. */
function laserChannel(picture: ColourPicture): number {
  const step = 4 * Math.max(1, Math.floor(picture.pixels.length / 4 / SAMPLED))
  const most = [0, 1, 2].map((channel) => {
    const found = Float32Array.from({ length: Math.ceil(picture.pixels.length / step) }, (_, i) =>
      laserLight(picture, i * step, channel),
    ).sort()
    // One in a thousand: a hot pixel alone is no laser.
    return found[Math.floor(found.length * 0.999)]! - found[found.length >> 1]!
  })
  return most.indexOf(Math.max(...most))
}

/** Rows that are added up on either side of the brightest, in cells. */
const HALF_ROWS = 20
const lightIn = ({ columns, light }: LaserStrip, row: number, column: number) => light[row * columns + column]!

function brightestRow(strip: LaserStrip): number | null {
  const noise = spreadOf(strip.light)
  const sums = Array.from({ length: strip.rows }, (_, row) => {
    let sum = 0
    for (let column = 0; column < strip.columns; column++) sum += Math.max(0, lightIn(strip, row, column) - 3 * noise)
    return sum
  })
  const smooth = sums.map((_, row) => sums.slice(Math.max(0, row - 4), row + 5).reduce((sum, one) => sum + one, 0))
  const most = Math.max(...smooth)
  return most > 0 ? smooth.indexOf(most) : null
}

/** The mean over the rows about the brightest, smoothed a little. */
function profileAt(strip: LaserStrip, row: number): Float64Array {
  const [first, last] = [Math.max(0, row - HALF_ROWS), Math.min(strip.rows - 1, row + HALF_ROWS)]
  const raw = new Float64Array(strip.columns)
  for (let r = first; r <= last; r++)
    for (let column = 0; column < strip.columns; column++)
      raw[column]! += lightIn(strip, r, column) / (last - first + 1)
  return raw.map((_, i) => {
    let [sum, weights] = [0, 0]
    for (let k = -4; k <= 4; k++) {
      const [at, weight] = [raw[i + k], 5 - Math.abs(k)]
      if (at === undefined) continue
      sum += weight * at
      weights += weight
    }
    return sum / weights
  })
}

/** Standard deviation of what most of it is, by the median of what it is off: bright spots do not count. */
function spreadOf(of: Float32Array | Float64Array): number {
  const middle = median(of)
  return Math.max(1e-3, 1.4826 * median(Float32Array.from(of, (one) => Math.abs(one - middle))))
}
function median(of: Float32Array | Float64Array): number {
  const step = Math.max(1, Math.floor(of.length / SAMPLED))
  const some = Float32Array.from({ length: Math.ceil(of.length / step) }, (_, i) => of[i * step]!).sort()
  return some[some.length >> 1] ?? 0
}

/** Two maxima are two spots where the profile falls between them to less than this share of the lower. */
const APART = 0.7
function peaksOf(profile: Float64Array, least: number): number[] {
  const peaks: number[] = []
  let peak: number | null = null
  let valley = Infinity
  profile.forEach((value, i) => {
    if (peak === null) {
      valley = Math.min(valley, value)
      if (value > least && APART * value > valley) peak = i
    } else if (value > profile[peak]!) peak = i
    else if (value < Math.min(APART * profile[peak]!, profile[peak]! - least / 2)) {
      peaks.push(peak)
      peak = null
      valley = value
    }
  })
  return peak === null ? peaks : [...peaks, peak]
}

/** Where the profile falls through a level on the way from a peak, between cells; or rises again before it does. */
function crossing(profile: Float64Array, peak: number, level: number, step: 1 | -1): number {
  let lowest = peak
  for (let i = peak; i >= 0 && i < profile.length; i += step) {
    if (profile[i]! < profile[lowest]!) lowest = i
    if (profile[i]! <= level) {
      const before = profile[i - step]!
      return i - (step * (level - profile[i]!)) / (before - profile[i]!)
    }
    if (APART * profile[i]! > profile[lowest]!) return lowest
  }
  return lowest
}

/** The brightest middle of a stretch along the profile: the mean of what is over half of its height. */
function middleOf(profile: Float64Array, from: number, to: number, level: number): number {
  let [sum, weights] = [0, 0]
  for (let i = Math.ceil(from); i <= Math.floor(to); i++) {
    const weight = Math.max(0, profile[i]! - level)
    sum += weight * i
    weights += weight
  }
  return weights > 0 ? sum / weights : (from + to) / 2
}

/** The spots of an edge that is turned in the beam stand beside the others by so many rows at most. */
const BESIDE_ROWS = 3 * HALF_ROWS
/** Where a stretch of the strip lies beside the scale, and its standard deviation across it, in rows. */
function acrossOf(strip: LaserStrip, row: number, from: number, to: number): { middle: number; sigma: number } {
  const rows = (about: number, half: number): readonly [number, number] => [
    Math.max(0, about - half),
    Math.min(strip.rows - 1, about + half),
  ]
  let [own, most] = [row, -Infinity]
  const [lowest, highest] = rows(row, BESIDE_ROWS)
  for (let r = lowest; r <= highest; r++) {
    let light = 0
    for (let near = Math.max(lowest, r - 4); near <= Math.min(highest, r + 4); near++)
      for (let column = Math.ceil(from); column <= Math.floor(to); column++) light += lightIn(strip, near, column)
    if (light > most) [own, most] = [r, light]
  }
  let [sum, squares, weights] = [0, 0, 0]
  const [first, last] = rows(own, HALF_ROWS)
  for (let r = first; r <= last; r++)
    for (let column = Math.ceil(from); column <= Math.floor(to); column++) {
      const weight = lightIn(strip, r, column)
      sum += weight * r
      squares += weight * r * r
      weights += weight
    }
  const middle = sum / weights
  return { middle, sigma: Math.sqrt(Math.max(0, squares / weights - middle * middle)) }
}
