import { nth } from '../../math/list'
import { length, scale, subtract, add, type Vec2 } from '../../math/vector/vec2'
import { leastSquaresLine } from '../../math/vector/line'

/** How a lens bows what is straight: the further from the picture's middle the more. */
export interface Lens {
  readonly middle: Vec2
  /** From there to the picture's corner, pixels. */
  readonly toCornerPx: number
  /** Positive: barrel, straight lines bow outward. A share of the way to the middle, at the corner. */
  readonly bow: number
}

/** Where a place of the picture would lie without the lens. Source: Fitzgibbon 2001, the division model. */
export function straightened(lens: Lens | null, at: Vec2): Vec2 {
  if (!lens) return at
  const away = subtract(at, lens.middle)
  const far = length(away) / lens.toCornerPx
  return add(lens.middle, scale(away, 1 / (1 - lens.bow * far * far)))
}

/** The inverse: where a place that lies so without the lens is seen in the picture. */
export function bowed(lens: Lens | null, at: Vec2): Vec2 {
  if (!lens || lens.bow === 0) return at
  const away = subtract(at, lens.middle)
  const far = length(away) / lens.toCornerPx
  if (far === 0) return at
  // far = seen / (1 − bow · seen²)
  const seen = (Math.sqrt(1 + 4 * lens.bow * far * far) - 1) / (2 * lens.bow * far)
  return add(lens.middle, scale(away, seen / far))
}

/** A lens is looked for within these, and only where it takes so much of what bows the sides away. */
const MOST_BOW = 0.25
const STEPS = 100
const LEAST_BETTER = 0.5
/** Sides that leave their lines by less than this, in the mean, are straight, pixels. */
const LEAST_BOWED_PX = 0.4
/** A place further off its line than this is none of the side's, pixels. */
const MOST_OFF_PX = 6
/** No side may come out more bowed than it was by more than this, pixels: a sheet that curls is no lens. */
const NO_WORSE_PX = 0.2

/**
 * The lens by which straight sides, as they are seen in a picture, are straight again; null where they are already, or
 * no lens makes all of them so. Sides: places along each, pixels. Source: docs/geometry.md, "Tracing a photograph".
 */
export function lensOf(size: { width: number; height: number }, sides: readonly (readonly Vec2[])[]): Lens | null {
  const middle: Vec2 = [size.width / 2, size.height / 2]
  const lensWith = (bow: number): Lens => ({ middle, toCornerPx: length(middle), bow })
  const off = (lens: Lens | null) =>
    sides.map((side) => {
      const places = side.map((at) => straightened(lens, at))
      const { at, direction } = leastSquaresLine(places)
      const squares = places.map((place) => {
        const away = subtract(place, at)
        return Math.min(MOST_OFF_PX, Math.abs(away[0] * direction[1] - away[1] * direction[0])) ** 2
      })
      return Math.sqrt(squares.reduce((sum, square) => sum + square, 0) / Math.max(1, squares.length))
    })
  const total = (each: readonly number[]) => Math.sqrt(each.reduce((sum, one) => sum + one * one, 0) / each.length)
  const before = off(null)
  if (sides.length < 4 || sides.some((side) => side.length < 8) || total(before) < LEAST_BOWED_PX) return null
  let best = { bow: 0, left: total(before) }
  const search = (from: number, to: number) => {
    for (let i = 0; i <= STEPS; i++) {
      const bow = from + ((to - from) * i) / STEPS
      const left = total(off(lensWith(bow)))
      if (left < best.left) best = { bow, left }
    }
  }
  search(-MOST_BOW, MOST_BOW)
  const step = (2 * MOST_BOW) / STEPS
  search(best.bow - step, best.bow + step)
  const lens = lensWith(best.bow)
  const noneWorse = off(lens).every((left, i) => left <= nth(before, i) + NO_WORSE_PX)
  return best.left < LEAST_BETTER * total(before) && noneWorse ? lens : null
}
