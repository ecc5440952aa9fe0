import { failed, type Failure, type Result } from '../../schema/result'
import { nth } from '../../math/list'
import type { InkPattern } from '../../log/choices'
import { ALL_FROM, type Span } from '../../observe/marker/exposed'
import type { Vec2 } from '../../math/vector/vec2'
import { bandThrough, type BandProblem } from './band'
import { inkOrSteel, type Colour, type InkMask } from './inkOrSteel'
import type { ColourPicture } from '../picture/colourPicture'
import { downOf, FACE_ROWS, rowOf, straightened, type Strip } from './strip'

export interface InkPhotoAsk {
  readonly picture: ColourPicture
  /** What was tapped, pixels. */
  readonly edge: readonly Vec2[]
  readonly shoulder: readonly Vec2[]
  /** The ink's colour where it was pointed at; else it is found. */
  readonly ink: Colour | null
  /** The spans along the band that are mask apart, fractions of its length. */
  readonly parts: readonly Span[]
}

/** Why a part cannot be mask. */
export type PartProblem = 'outside' | 'faint' | 'patchy'

/** One part of a band: what is bare there, or why that cannot be mask. */
export type PhotoPart = Result<{ readonly seen: InkPattern; readonly fraction: number }, PartProblem>

/** One column of a band: where the face begins and ends, and what is bare, in widths below the tapped shoulder. */
export interface PhotoColumn {
  readonly shoulder: number
  readonly edge: number
  readonly bare: readonly Span[]
}

export type InkPhotoReading =
  | {
      readonly ok: true
      readonly ink: Colour
      readonly parts: readonly PhotoPart[]
      readonly strip: Strip
      readonly columns: readonly PhotoColumn[]
    }
  | Failure<BandProblem | 'no-ink'>

/** The lines are looked for so far around what was tapped, in widths of the face; ink begins and ends elsewhere too. */
const REACH = 0.1
const SHOULDER_REACH = 0.065
/** Columns that are looked at together for a line. */
const TOGETHER = 24
/** Runs of cells shorter than this, in widths of the face, are scratches or specks. */
const LEAST_RUN = 0.03
/** A bare run that begins or ends so near to a line reaches it. */
const AT_LINE = 0.06
const NOTHING_TO = 0.02
/** Ink and steel that lie closer than so many of their spreads are not mask apart. */
const LEAST_APART = 4
/** Bare and inked change so often down a column where it is no ink that is looked at. */
const MOST_RUNS = 2.2

/**
 * Reads what is bare of an inked bevel in a photograph: the band between the taps is laid straight, its two lines are
 * moved onto what is seen there, ink is mask from steel, and each part of its length says its pattern and fraction.
 * Source: docs/ink.md, "A test from a photograph".
 */
export function readInkPhoto({ picture, edge, shoulder, ink, parts }: InkPhotoAsk): InkPhotoReading {
  const band = bandThrough(edge, shoulder)
  if (!band.ok) return band
  const strip = straightened(picture, band)
  const mask = inkOrSteel(strip, ink)
  if (!mask) return failed('no-ink')
  const edgeAt = edgeLine(strip)
  const shoulderAt = shoulderLine(strip, mask)
  const columns = Array.from({ length: strip.columns }, (_, column): PhotoColumn => {
    const [top, end] = [shoulderAt[column]!, edgeAt[column]!]
    return { shoulder: top, edge: end, bare: bareRuns(strip, mask, column, top, end) }
  })
  return { ok: true, ink: mask.ink, strip, columns, parts: parts.map((part) => partOf(strip, mask, columns, part)) }
}

/** What is bare of one part of the band. */
function partOf(strip: Strip, mask: InkMask, columns: readonly PhotoColumn[], [from, to]: Span): PhotoPart {
  const first = Math.max(0, Math.round(from * columns.length))
  const last = Math.min(columns.length, Math.round(to * columns.length))
  const inside = Array.from({ length: Math.max(0, last - first) }, (_, i) => first + i).filter(
    (column) => !strip.outside[column],
  )
  if (inside.length < 0.5 * (last - first) || inside.length < 5) return failed('outside')
  const mean = (of: (column: number) => number) => inside.reduce((sum, i) => sum + of(i), 0) / inside.length
  if (mean((i) => mask.apart[i]!) < LEAST_APART) return failed('faint')
  if (mean((i) => nth(columns, i).bare.length) > MOST_RUNS) return failed('patchy')
  return { ok: true, ...lookOf(inside.map((i) => nth(columns, i))), ...aboveOnly(strip, mask, inside, columns) }
}

/** Pattern and fraction of columns that are looked at as one. */
function lookOf(columns: readonly PhotoColumn[]): { seen: InkPattern; fraction: number } {
  let [all, atShoulder, atEdge, between, both] = [0, 0, 0, 0, 0]
  for (const { shoulder, edge, bare } of columns) {
    const width = edge - shoulder
    const sum = bare.reduce((total, [from, to]) => total + to - from, 0) / width
    all += sum
    // A column that is bare all over says nothing of where the rest keeps its ink.
    if (sum >= ALL_FROM) continue
    let [reachesShoulder, reachesEdge] = [0, 0]
    for (const [from, to] of bare) {
      if (from < shoulder + AT_LINE * width) reachesShoulder += to - from
      else if (to > edge - AT_LINE * width) reachesEdge += to - from
      else between += to - from
    }
    atShoulder += reachesShoulder
    atEdge += reachesEdge
    both += Math.min(reachesShoulder, reachesEdge)
  }
  const fraction = all / columns.length
  if (fraction >= ALL_FROM) return { seen: 'all', fraction: 1 }
  if (fraction <= NOTHING_TO) return { seen: 'nothing', fraction: 0 }
  const total = atShoulder + atEdge + between
  if (both > 0.15 * total) return { seen: 'ends', fraction }
  if (between >= Math.max(atShoulder, atEdge)) return { seen: 'middle', fraction }
  return { seen: atShoulder >= atEdge ? 'shoulder' : 'apex', fraction }
}

/** Ink that is gone only above the shoulder, with ink further up and all over the face. */
function aboveOnly(strip: Strip, { bare }: InkMask, inside: readonly number[], columns: readonly PhotoColumn[]) {
  const bareShare = (from: number, to: number) => {
    let [sum, n] = [0, 0]
    for (const column of inside)
      for (
        let row = Math.ceil(rowOf(nth(columns, column).shoulder + from));
        downOf(row) < nth(columns, column).shoulder + to;
        row++
      ) {
        sum += bare[row * strip.columns + column]!
        n++
      }
    return n === 0 ? 0 : sum / n
  }
  const gone = bareShare(0.04, 0.9) <= NOTHING_TO && bareShare(-0.1, -0.03) > 0.6 && bareShare(-0.45, -0.2) < 0.4
  return gone ? ({ seen: 'above', fraction: 0 } as const) : {}
}

/** The bare runs of a column between two lines; short ones, and short gaps, are left out. */
function bareRuns(strip: Strip, { bare }: InkMask, column: number, top: number, end: number): Span[] {
  const runs: [number, number][] = []
  const least = LEAST_RUN * (end - top)
  const half = 0.5 / FACE_ROWS
  for (let row = Math.max(0, Math.ceil(rowOf(top))); row < strip.rows && downOf(row) <= end; row++) {
    if (bare[row * strip.columns + column] === 0) continue
    const [from, to] = [Math.max(top, downOf(row) - half), Math.min(end, downOf(row) + half)]
    const last = runs.at(-1)
    if (last && from - last[1] < least) last[1] = to
    else runs.push([from - top < least ? top : from, to])
  }
  const last = runs.at(-1)
  if (last && end - last[1] < least) last[1] = end
  return runs.filter(([from, to]) => to - from >= least)
}

/** Per window of columns the mean of something down the strip. */
function windows(strip: Strip, of: (at: number) => number): { from: number; to: number; down: Float64Array }[] {
  return Array.from({ length: Math.ceil(strip.columns / TOGETHER) }, (_, w) => {
    const [from, to] = [w * TOGETHER, Math.min(strip.columns, (w + 1) * TOGETHER)]
    const down = new Float64Array(strip.rows)
    for (let row = 0; row < strip.rows; row++) {
      for (let column = from; column < to; column++) down[row]! += of(row * strip.columns + column)
      down[row]! /= to - from
    }
    return { from, to, down }
  })
}

/** Where the face ends, per column: coming up from below, where the picture first is no longer what lies behind. */
function edgeLine(strip: Strip): Float64Array {
  const byColour = [0, 1, 2].map((k) => windows(strip, (at) => strip.rgb[3 * at + k]!))
  const found = nth(byColour, 0).map((_, w): number | null => {
    const colourAt = (row: number) => byColour.map((of) => nth(of, w).down[row]!)
    const [near, far] = [Math.round(rowOf(1 + REACH)), Math.round(rowOf(1 + 2.2 * REACH))]
    const behind = [0, 1, 2].map((k) => {
      let sum = 0
      for (let row = near; row < far; row++) sum += nth(nth(byColour, k), w).down[row]!
      return sum / (far - near)
    })
    const departs = (row: number) => Math.hypot(...colourAt(row).map((one, k) => one - nth(behind, k)))
    let noise = 0
    for (let row = near; row < far; row++) noise = Math.max(noise, departs(row))
    const last = Math.round(rowOf(1 - REACH))
    for (let row = near; row > last; row--) {
      if (departs(row) < Math.max(5, 2 * noise)) continue
      let most = 0
      for (let up = row; up > row - 6; up--) most = Math.max(most, departs(up))
      // The way from what lies behind to the face, halfway.
      let at = row
      while (at > row - 6 && departs(at) < most / 2) at--
      const [over, under] = [departs(at), departs(at + 1)]
      return downOf(at + (over > under ? (over - most / 2) / (over - under) : 0))
    }
    return null
  })
  return lineOf(strip, found, 1)
}

/**
 * Where the face begins, per column: where ink above turns into bare steel, or bare steel into an inked face; where
 * neither is seen, as tapped.
 */
function shoulderLine(strip: Strip, { bare }: InkMask): Float64Array {
  const found = windows(strip, (at) => bare[at]!).map(({ down }): number | null => {
    let best: number | null = null
    for (let row = Math.round(rowOf(-SHOULDER_REACH)); row < rowOf(SHOULDER_REACH); row++) {
      const [here, next] = [down[row]!, down[row + 1]!]
      if (here > 0.5 === next > 0.5 || Math.abs(down[row + 5]! - down[row - 4]!) < 0.4) continue
      const at = downOf(row + (0.5 - here) / (next - here))
      if (best === null || Math.abs(at) < Math.abs(best)) best = at
    }
    return best
  })
  return lineOf(strip, found, 0)
}

/** A line along the strip from what windows found; wild ones are left out, and where none found it, it is as tapped. */
function lineOf(strip: Strip, found: readonly (number | null)[], tapped: number): Float64Array {
  const near = (w: number, reach: number) =>
    found.slice(Math.max(0, w - reach), w + reach + 1).filter((one) => one !== null)
  const steady = found.map((one, w) => {
    const around = near(w, 3)
    if (around.length < 3) return null
    const middle = nth(
      [...around].sort((a, b) => a - b),
      Math.floor(around.length / 2),
    )
    return one !== null && Math.abs(one - middle) < 0.03 ? one : middle
  })
  const out = new Float64Array(strip.columns)
  for (let column = 0; column < strip.columns; column++) {
    const at = column / TOGETHER - 0.5
    const w = Math.max(0, Math.min(steady.length - 1, Math.floor(at)))
    const [a, b] = [steady[w] ?? tapped, steady[Math.min(steady.length - 1, w + 1)] ?? tapped]
    out[column] = a + (b - a) * Math.min(1, Math.max(0, at - w))
  }
  return out
}
