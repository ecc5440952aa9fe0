import { failed, type Failure, type Result } from '../../schema/result'
import { radians } from '../../math/units/angle'
import { middleOf } from '../../math/statistics/robust'
import { peaksOf } from '../../math/statistics/peaks'
import type { Span } from '../../observe/marker/exposed'
import type { Vec2 } from '../../math/vector/vec2'
import { bandThrough, type BandProblem } from '../marker/band'
import type { GrayPicture } from '../picture/grayPicture'
import { faceGrid, type FaceGrid } from './faceGrid'
import { noiseBeside, PER_COLUMN, profileAround, profileNear, type Profile } from './profile'
import { TOGETHER, unreachedAlong } from './unreached'

export interface ScratchPhotoAsk {
  readonly picture: GrayPicture
  /** What was tapped, pixels. */
  readonly edge: readonly Vec2[]
  readonly shoulder: readonly Vec2[]
  /**
   * How the scratches of this stone and of the one before lie, as the rig's geometry tells: degrees from the edge's
   * normal, positive leaning right going up where the edge is below.
   */
  readonly newDeg: number
  readonly oldDeg: number
  /** How wide the scratches of the stone before are there, pixels; null: it is measured. */
  readonly oldPx: number | null
  /** The spans along the band that are read apart, fractions of its length. */
  readonly parts: readonly Span[]
}

/** What one part of a face shows between two stones. */
export interface ScratchPart {
  /** Of the scratches of the stone before, how many are left, from 0 to 1. */
  readonly oldLeft: number
  /** Of the face's width, how much at the edge the new stone has not reached, from 0 to 1. */
  readonly unreached: number
}
export type ScratchPartRead = Result<ScratchPart, 'outside'>

export type ScratchPhotoReading =
  | {
      readonly ok: true
      readonly parts: readonly ScratchPartRead[]
      /** The directions as they were found, degrees. */
      readonly newDeg: number
      readonly oldDeg: number
    }
  | Failure<BandProblem | 'directions-alike' | 'scratches-too-fine' | 'no-scratches'>

/** Directions nearer to each other than this cannot be told apart, degrees. */
const LEAST_APART_DEG = 15
/** Scratches finer than this are lost in a picture's own grain, pixels. */
const FINEST_PX = 1.2
/** The new stone's scratches show, where they stand this much over the noise. */
const SHOWS = 2.5
/** A scratch stands out by this against the noise: of a filter of its own shape. */
const STANDS_OUT = 1.75
/** A scratch of width 1 is dark on one side and bright on the other: the filter's width. */
const FILTER_WIDTH = 0.25
/**
 * The share of the scratches that are left, by how many are counted for each width of one along the edge: on a face of
 * one stone alone 0.3 are. Those that lie over each other are counted as one.
 */
const SHARE_PER_COUNT = 3.2
const OVER_EACH_OTHER = 0.2
/** Beside the band that is not reached, so much more is left out, widths of the face. */
const BESIDE_UNREACHED = 0.05
const LEAST_UNREACHED = 0.02

/**
 * Reads a close-up of a bevel between two stones: per part how many of the former stone's scratches are left, and how
 * much at the edge is not reached. Source: docs/scratches.md.
 */
export function readScratchPhoto(ask: ScratchPhotoAsk): ScratchPhotoReading {
  if (Math.abs(ask.newDeg - ask.oldDeg) < LEAST_APART_DEG)
    return failed('directions-alike', { leastDeg: LEAST_APART_DEG })
  const band = bandThrough(ask.edge, ask.shoulder)
  if (!band.ok) return band
  const grid = faceGrid(ask.picture, band)
  const nowRuns = profileNear(grid, grid.face, ask.newDeg)
  const before = profileNear(grid, grid.face, ask.oldDeg)
  const unreached = unreachedAlong(grid, nowRuns.deg, before.deg)
  const reached = withoutUnreached(grid, unreached)
  const old = profileAround(grid, reached, before.deg)
  const noise = noiseBeside(grid, reached, old.deg, nowRuns.deg)
  if (Math.max(nowRuns.deviation, before.deviation) < SHOWS * noise) return failed('no-scratches')
  const px = ask.oldPx === null ? widthOf(old, noise) : ask.oldPx / grid.pxPerCell
  if (px < FINEST_PX) return failed('scratches-too-fine')
  const scratches = scratchesIn(old, noise, px)
  const parts = ask.parts.map((part) => partOf(grid, part, { old, scratches, unreached }, px))
  return { ok: true, newDeg: nowRuns.deg, oldDeg: old.deg, parts }
}

/** The dark side of a scratch is this share of its width at half its depth. */
const DARK_SHARE = 0.53
/** So many of the plainest tell the width; where none is plain, a usual one, cells. */
const [PLAIN, PLAIN_OVER_NOISE, USUAL_PX] = [12, 3, 3]

/** How wide scratches are, cells: the middle of the plainest ones' width at half their depth. */
function widthOf({ contrast, counts, deg }: Profile, noise: number): number {
  const dark = contrast.map((one, line) => (counts[line] ? -one : 0))
  const plainest = peaksOf(dark, { height: PLAIN_OVER_NOISE * noise, prominence: PLAIN_OVER_NOISE * noise })
    .sort((a, b) => dark[b]! - dark[a]!)
    .slice(0, PLAIN)
  if (plainest.length === 0) return USUAL_PX
  const lines = plainest.map((peak) => {
    const half = dark[peak]! / 2
    const way = (step: 1 | -1) => {
      let at = peak
      while (dark[at]! > half) at += step
      return Math.abs(at - peak) - (half - dark[at]!) / (dark[at - step]! - dark[at]!)
    }
    return way(1) + way(-1)
  })
  return ((middleOf(lines) / PER_COLUMN) * Math.cos(radians(deg))) / DARK_SHARE
}

/** The face where the new stone has been. */
function withoutUnreached({ columns, rows, face, down }: FaceGrid, unreached: readonly number[]): Uint8Array {
  const most = unreached.map((one, w) => Math.max(one, unreached[w - 1] ?? 0, unreached[w + 1] ?? 0))
  const kept = face.slice()
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const band = most[Math.floor(column / TOGETHER)]!
      const cell = row * columns + column
      if (band > LEAST_UNREACHED && down[cell]! > 1 - band - BESIDE_UNREACHED) kept[cell] = 0
    }
  return kept
}

/** Where scratches lie in a profile, as lines of it. */
function scratchesIn({ deg, contrast, counts }: Profile, noise: number, px: number): number[] {
  const sigma = (FILTER_WIDTH * px * PER_COLUMN) / Math.cos(radians(deg))
  const reach = Math.ceil(4 * sigma)
  const filtered = contrast.map((_, line) => {
    let sum = 0
    for (let k = -reach; k <= reach; k++)
      sum +=
        ((contrast[line + k] ?? 0) * k * Math.exp(-((k / sigma) ** 2) / 2)) / (sigma * sigma * Math.sqrt(2 * Math.PI))
    return counts[line] ? sum : 0
  })
  // The light comes from one side: what is dark before bright from the other one is bright before dark.
  const skew = filtered.reduce((sum, one) => sum + one ** 3, 0)
  const least = STANDS_OUT * noise
  return peaksOf(
    filtered.map((one) => (skew < 0 ? -one : one)),
    { height: least, prominence: least },
  )
}

function partOf(
  { columns, along }: FaceGrid,
  [from, to]: Span,
  seen: { readonly old: Profile; readonly scratches: readonly number[]; readonly unreached: readonly number[] },
  px: number,
): ScratchPartRead {
  const isIn = (column: number) => {
    const at = along[Math.min(columns - 1, Math.max(0, Math.round(column)))]!
    return at >= from && at < to && column >= 0 && column < columns
  }
  const { deg, column, counts } = seen.old
  const lines = column.reduce((sum, at, line) => sum + (counts[line] && isIn(at) ? 1 : 0), 0)
  const across = (lines / PER_COLUMN) * Math.cos(radians(deg))
  const windows = seen.unreached.filter((_, w) => isIn((w + 0.5) * TOGETHER))
  if (windows.length === 0 || across < 10 * px) return failed('outside')
  const count = (seen.scratches.filter((line) => isIn(column[line]!)).length * px) / across
  const share = (SHARE_PER_COUNT * count) / Math.max(0.2, 1 - OVER_EACH_OTHER * count)
  const unreached = windows.reduce((sum, one) => sum + one, 0) / windows.length
  return { ok: true, oldLeft: Math.min(1, share), unreached }
}

/** Old scratches below this are too few to matter, and a band narrower than this is none. */
const DONE = { oldLeft: 0.1, unreached: 0.04 } as const

/** Whether a stone has done its work there. */
export const isDone = ({ oldLeft, unreached }: ScratchPart): boolean =>
  oldLeft < DONE.oldLeft && unreached < DONE.unreached
