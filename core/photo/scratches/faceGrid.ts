import { brightness, type GrayPicture } from '../picture/grayPicture'
import type { Band } from '../marker/band'
import { degrees } from '../../math/units/angle'
import { add, dot, leftOf, length, scale, subtract, unit, type Vec2 } from '../../math/vector/vec2'

/** A bevel's face as a grid of pixels, its columns along the edge and its rows down to it: the edge is below. */
export interface FaceGrid {
  readonly columns: number
  readonly rows: number
  /** Of each cell, how far it lies from shoulder (0) to edge (1). */
  readonly down: Float32Array
  /** How far along the band each column lies, from 0 to 1. */
  readonly along: Float32Array
  /** How much brighter each cell is than what is around it, as a fraction of that; 0 outside of the face. */
  readonly contrast: Float32Array
  /** What belongs to the face and to the picture. */
  readonly face: Uint8Array
  /** Pixels of the picture to a cell. */
  readonly pxPerCell: number
}

const MOST_COLUMNS = 2000
/** The lines are tapped to a few cells: so much beside them does not count. */
const BESIDE_LINE = 6
/** Light changes over more cells than this; scratches are finer. */
const LIGHT_CELLS = 10

/** Where a face begins, and which way it goes along its edge and down to it, as unit vectors in the picture. */
function axesOf(band: Band): { from: Vec2; along: Vec2; down: Vec2; chordPx: number } {
  const [first, last] = [band.at(0, 0.5), band.at(band.lengthPx, 0.5)]
  const chord = subtract(last, first)
  const along = unit(chord)
  const toEdge = subtract(band.at(band.lengthPx / 2, 1), band.at(band.lengthPx / 2, 0))
  const axes = { from: first, along, down: leftOf(along), chordPx: length(chord) }
  // A picture that stands on its head is turned, never mirrored.
  return dot(leftOf(along), toEdge) > 0
    ? axes
    : { ...axes, from: last, along: scale(along, -1), down: leftOf(scale(along, -1)) }
}

/** How a line through two places of the picture leans from the normal of the edge, degrees; as scratches are told. */
export function leanDeg(band: Band, [one, other]: readonly [Vec2, Vec2]): number {
  const { along, down } = axesOf(band)
  const way = subtract(other, one)
  const [right, up] = [dot(way, along), -dot(way, down)]
  return degrees(Math.atan2(up < 0 ? -right : right, Math.abs(up)))
}

/** Lays a face straight, without bending it: scratches stay as straight as they are. */
export function faceGrid(picture: GrayPicture, band: Band): FaceGrid {
  const pxPerCell = Math.max(1, band.lengthPx / MOST_COLUMNS)
  const { from, along, down, chordPx } = axesOf(band)
  const columns = Math.max(1, Math.floor(chordPx / pxPerCell))
  let [top, bottom] = [0, 0]
  for (let i = 0; i <= 20; i++)
    for (const share of [0, 1]) {
      const off = subtract(band.at((band.lengthPx * i) / 20, share), from)
      const w = (off[0] * down[0] + off[1] * down[1]) / pxPerCell
      top = Math.min(top, w)
      bottom = Math.max(bottom, w)
    }
  const rows = Math.ceil(bottom - top)
  const cells = columns * rows
  const grid = { columns, rows, pxPerCell, along: new Float32Array(columns), down: new Float32Array(cells) }
  const [gray, face] = [new Float32Array(cells), new Uint8Array(cells)]
  for (let column = 0; column < columns; column++)
    for (let row = 0; row < rows; row++) {
      const at: Vec2 = add(from, add(scale(along, column * pxPerCell), scale(down, (top + row) * pxPerCell)))
      const place = band.downAt(at)
      const cell = row * columns + column
      grid.down[cell] = place.down
      if (row === rows >> 1) grid.along[column] = place.alongPx / band.lengthPx
      gray[cell] = brightness(picture, at[0], at[1])
      const beside = Math.min(place.down, 1 - place.down) * (band.widthPx / pxPerCell)
      const isIn = at[0] >= 0 && at[1] >= 0 && at[0] <= picture.width && at[1] <= picture.height
      face[cell] = isIn && beside > BESIDE_LINE ? 1 : 0
    }
  return { ...grid, face, contrast: contrastOf(gray, face, columns, rows) }
}

/** Brightness over the light of what is around, over the face alone. */
function contrastOf(gray: Float32Array, face: Uint8Array, columns: number, rows: number): Float32Array {
  const light = blurred(
    gray.map((one, cell) => one * face[cell]!),
    columns,
    rows,
  )
  const weight = blurred(Float32Array.from(face), columns, rows)
  return gray.map((one, cell) => {
    if (face[cell] === 0) return 0
    const around = Math.max(1, light[cell]! / weight[cell]!)
    return (one - around) / around
  })
}

/** Gaussian blur by three running means each way. Source: central limit. */
function blurred(cells: Float32Array, columns: number, rows: number): Float32Array {
  let now = cells
  for (let pass = 0; pass < 3; pass++) {
    now = runningMean(now, rows, columns, columns, 1)
    now = runningMean(now, columns, rows, 1, columns)
  }
  return now
}

/** The mean over LIGHT_CELLS to either side along lines of `count` cells that lie `step` apart. */
function runningMean(cells: Float32Array, lines: number, count: number, nextLine: number, step: number): Float32Array {
  const out = new Float32Array(cells.length)
  const width = 2 * LIGHT_CELLS + 1
  for (let line = 0; line < lines; line++) {
    const start = line * nextLine
    let sum = 0
    for (let i = 0; i < Math.min(LIGHT_CELLS, count); i++) sum += cells[start + i * step]!
    for (let i = 0; i < count; i++) {
      if (i + LIGHT_CELLS < count) sum += cells[start + (i + LIGHT_CELLS) * step]!
      if (i > LIGHT_CELLS) sum -= cells[start + (i - LIGHT_CELLS - 1) * step]!
      out[start + i * step] = sum / width
    }
  }
  return out
}
