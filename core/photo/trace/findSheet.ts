import { lastOf, nth } from '../../math/list'
import { otsu } from '../picture/otsu'
import { crossing } from '../../math/vector/crossing'
import { areaOf, convexHull, turn } from '../../math/vector/polygon'
import type { Vec2 } from '../../math/vector/vec2'
import { bowed, lensOf, straightened, type Lens } from './lens'
import type { GrayPicture } from '../picture/grayPicture'
import { snapToOutline } from './snap'

/** The picture is looked over this wide. */
const LOOKED_OVER_PX = 320
/** A sheet takes at least this share of the picture, and leaves at least this share of it free. */
const LEAST_SHARE = 0.08
const MOST_SHARE = 0.97
/** What is bright has four straight sides where its hull fills so much of the quadrilateral around it. */
const LEAST_FILLED = 0.93
/** Of each side so much is looked at, away from the corners. */
const ENDS_LEFT_OUT = 0.06
/** The sides are looked for so far beside the corners' straight lines, as a share of the picture's width. */
const REACH_SHARE = 0.015
/** A corner may lie so far outside the picture, as a share of its width. */
const MOST_OUTSIDE = 0.02

export interface SheetFound {
  readonly corners: Vec2[]
  readonly lens: Lens | null
}

/**
 * A bright sheet on a darker ground: its corners in the picture's pixels, clockwise as seen, its longer side first and
 * beginning as far to the upper left as that allows, and the lens that bows its sides; null where there is none. What
 * lies on the sheet, or over its border in places, is not in the way. Source: docs/geometry.md, "Tracing a photograph".
 */
export function findSheet(picture: GrayPicture): SheetFound | null {
  const size = Math.max(1, Math.ceil(picture.width / LOOKED_OVER_PX))
  const small = shrunk(picture, size)
  const parting = otsu([...small.pixels]).at
  // A dark blade may part from paper and table together: then these are parted from each other.
  const brighter = otsu([...small.pixels].filter((pixel) => pixel > parting)).at
  for (const threshold of [parting, brighter]) {
    const rough = quadAbove(small, threshold)?.map(([x, y]): Vec2 => [(x + 0.5) * size, (y + 0.5) * size])
    const found = rough && onItsSides(picture, rough, Math.max(2 * size + 4, REACH_SHARE * picture.width))
    const outside = MOST_OUTSIDE * picture.width
    const within = ([x, y]: Vec2) =>
      x >= -outside && y >= -outside && x <= picture.width + outside && y <= picture.height + outside
    if (found?.corners.every(within)) return { ...found, corners: inOrder(found.corners) }
  }
  return null
}

/** The four corners of the largest stretch brighter than so, clockwise as seen; null where it has not four sides. */
function quadAbove(small: GrayPicture, threshold: number): Vec2[] | null {
  const bright = largestBright(small, threshold)
  if (bright.length < LEAST_SHARE * small.pixels.length || bright.length > MOST_SHARE * small.pixels.length) return null
  // A picture's y runs down.
  const hull = convexHull(bright.map((i): Vec2 => [i % small.width, Math.floor(i / small.width)])).reverse()
  const quad = aroundBy4(hull)
  return quad && areaOf(hull) >= LEAST_FILLED * areaOf(quad) && !endsWithPicture(quad, small) ? quad : null
}

/** Whether a side is that of the picture: the sheet's own is not seen. */
const endsWithPicture = (quad: readonly Vec2[], { width, height }: Pick<GrayPicture, 'width' | 'height'>): boolean =>
  quad.some((from, i) => {
    const to = nth(quad, (i + 1) % 4)
    return ([0, 1] as const).some((axis) => {
      const most = (axis === 0 ? width : height) - 1
      return [0, most].some((border) => [from, to].every((corner) => Math.abs(corner[axis] - border) < 1.5))
    })
  })

/** The picture with so many pixels' mean in each. */
function shrunk({ width, height, pixels }: GrayPicture, size: number): GrayPicture {
  const [wide, high] = [Math.floor(width / size), Math.floor(height / size)]
  const small = new Uint8Array(wide * high)
  for (let y = 0; y < high; y++)
    for (let x = 0; x < wide; x++) {
      let sum = 0
      for (let j = 0; j < size; j++)
        for (let i = 0; i < size; i++) sum += pixels[(y * size + j) * width + x * size + i]!
      small[y * wide + x] = sum / (size * size)
    }
  return { width: wide, height: high, pixels: small }
}

/** The largest stretch of pixels brighter than so that hang together, by their numbers. */
function largestBright({ width, height, pixels }: GrayPicture, threshold: number): number[] {
  const seen = new Uint8Array(pixels.length)
  let largest: number[] = []
  for (let start = 0; start < pixels.length; start++) {
    if (seen[start] || pixels[start]! <= threshold) continue
    const stretch = [start]
    seen[start] = 1
    for (let k = 0; k < stretch.length; k++) {
      const at = nth(stretch, k)
      const x = at % width
      for (const next of [x > 0 ? at - 1 : -1, x < width - 1 ? at + 1 : -1, at - width, at + width]) {
        if (next < 0 || next >= width * height || seen[next] || pixels[next]! <= threshold) continue
        seen[next] = 1
        stretch.push(next)
      }
    }
    if (stretch.length > largest.length) largest = stretch
  }
  return largest
}

/** A convex polygon with its least sides taken away, the others run on to each other, until four are left. */
function aroundBy4(hull: readonly Vec2[]): Vec2[] | null {
  let polygon = [...hull]
  while (polygon.length > 4) {
    let [least, best]: [number, { i: number; at: Vec2 } | null] = [Infinity, null]
    const round = polygon
    const corner = (i: number) => nth(round, (i + round.length) % round.length)
    for (let i = 0; i < polygon.length; i++) {
      const [before, from, to, behind] = [corner(i - 1), corner(i), corner(i + 1), corner(i + 2)]
      const at = crossing(before, from, behind, to)?.at
      // On the outer side of the one that goes.
      if (!at || turn(from, to, at) >= 0) continue
      const more = areaOf([from, at, to])
      if (more < least) [least, best] = [more, { i, at }]
    }
    if (!best) return null
    const { i, at } = best
    const gone = (i + 1) % polygon.length
    polygon[i] = at
    polygon = polygon.filter((_, k) => k !== gone)
  }
  return polygon.length === 4 ? polygon : null
}

/** The lens that bows the sides of a sheet whose corners are known; null where they are straight. */
export const lensOfSheet = (picture: GrayPicture, corners: readonly Vec2[]): Lens | null =>
  lensOf(picture, sidesOf(picture, corners, REACH_SHARE * picture.width))

/** Places along each of the sides between corners, as they are seen. */
const sidesOf = (picture: GrayPicture, corners: readonly Vec2[], reachPx: number): Vec2[][] =>
  corners.map((from, i) => {
    const to = nth(corners, (i + 1) % 4)
    const part = (share: number): Vec2 => [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])]
    return snapToOutline(picture, [part(ENDS_LEFT_OUT), part(1 - ENDS_LEFT_OUT)], reachPx).points
  })

/** Corners from the lines along the sides as they are seen, to a fraction of a pixel; null where one is not seen. */
function onItsSides(picture: GrayPicture, rough: readonly Vec2[], reachPx: number): SheetFound | null {
  const seen = sidesOf(picture, rough, reachPx)
  if (seen.some((side) => side.length < 8)) return null
  const lens = lensOf(picture, seen)
  const lines = seen.map((side) => lineThrough(side.map((at) => straightened(lens, at))))
  const corners = lines.map((side, i) => {
    const before = lines.at(i - 1)!
    const at = crossing(before[0], before[1], side[0], side[1])?.at
    return at ? bowed(lens, at) : null
  })
  return corners.every((corner) => corner !== null) ? { corners, lens } : null
}

/** The line that most points lie on: of those through two of them, the one with the least middle distance. */
function lineThrough(points: readonly Vec2[]): [Vec2, Vec2] {
  const step = Math.max(1, Math.floor(points.length / 24))
  const tried = points.filter((_, i) => i % step === 0)
  let [least, best]: [number, [Vec2, Vec2]] = [Infinity, [nth(points, 0), lastOf(points)]]
  for (const [i, from] of tried.entries())
    for (const to of tried.slice(i + 6)) {
      const size = Math.hypot(to[0] - from[0], to[1] - from[1])
      const off = tried.map((point) => Math.abs(turn(from, to, point)) / size).sort((a, b) => a - b)
      const middle = nth(off, Math.floor(off.length / 2))
      if (middle < least) [least, best] = [middle, [from, to]]
    }
  return best
}

/** The longer sides first and third; of the two such orders the one that begins nearer to the upper left. */
function inOrder(corners: readonly Vec2[]): Vec2[] {
  const size = (i: number) => {
    const [a, b] = [nth(corners, i % 4), nth(corners, (i + 1) % 4)]
    return Math.hypot(b[0] - a[0], b[1] - a[1])
  }
  const first = size(0) + size(2) >= size(1) + size(3) ? [0, 2] : [1, 3]
  const upperLeft = (i: number) => nth(corners, i)[0] + nth(corners, i)[1]
  const begin = upperLeft(nth(first, 0)) <= upperLeft(nth(first, 1)) ? nth(first, 0) : nth(first, 1)
  return [0, 1, 2, 3].map((k) => nth(corners, (begin + k) % 4))
}
