import type { Vec2 } from '../vector/vec2'

/** A picture's brightness, row by row. */
export interface GrayPicture {
  readonly width: number
  readonly height: number
  readonly pixels: Uint8Array | Uint8ClampedArray
}

/** The outline is looked at every so many pixels. */
const EVERY_PX = 4
/** A jump in brightness weaker than this is no outline. */
const LEAST_JUMP = 6
/** The offset of a place may differ from its neighbours' middle by this much; more is a reflection or a speck. */
const MOST_JUMP_PX = 3
const NEIGHBOURS = 5

/**
 * Moves a rough chain of points (pixels) onto the outline that runs beside it: at places every few pixels the strongest
 * jump in brightness across the chain, within `reachPx` of it, to a fraction of a pixel; places that disagree with
 * their neighbours are left out, and the noise is taken out within each stretch between two marked points, so that a
 * corner that was marked stays sharp. Source: docs/geometry.md, "Tracing a photograph".
 */
export function snapToOutline(picture: GrayPicture, rough: readonly Vec2[], reachPx: number): Vec2[] {
  const places = spaced(rough, EVERY_PX)
  const found = places.map(({ at, normal }) => strongestJump(picture, at, normal, reachPx))
  return places.flatMap(({ at, normal, stretch }, i): Vec2[] => {
    const offset = found[i]
    if (offset == null) return []
    const near: [number, number][] = []
    for (let k = Math.max(0, i - NEIGHBOURS); k <= Math.min(places.length - 1, i + NEIGHBOURS); k++) {
      const other = found[k]
      if (other != null && places[k]!.stretch === stretch) near.push([k - i, other])
    }
    if (near.length > 2 && Math.abs(offset - middleOf(near.map(([, one]) => one))) > MOST_JUMP_PX) return []
    const smooth = lineAt0(near)
    return [[at[0] + normal[0] * smooth, at[1] + normal[1] * smooth]]
  })
}

/** The value at 0 of the straight line that fits best: takes the noise out and leaves slopes as they are. */
function lineAt0(points: readonly (readonly [number, number])[]): number {
  const n = points.length
  const [sx, sy] = [points.reduce((sum, p) => sum + p[0], 0), points.reduce((sum, p) => sum + p[1], 0)]
  const [sxx, sxy] = [points.reduce((sum, p) => sum + p[0] ** 2, 0), points.reduce((sum, p) => sum + p[0] * p[1], 0)]
  const below = n * sxx - sx * sx
  return below === 0 ? sy / n : (sy * sxx - sx * sxy) / below
}

const middleOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!

/** Places along a chain, evenly spaced, with the direction across it. */
function spaced(chain: readonly Vec2[], every: number): { at: Vec2; normal: Vec2; stretch: number }[] {
  const places: { at: Vec2; normal: Vec2; stretch: number }[] = []
  for (let i = 1; i < chain.length; i++) {
    const [from, to] = [chain[i - 1]!, chain[i]!]
    const size = Math.hypot(to[0] - from[0], to[1] - from[1])
    if (size < 1e-6) continue
    const direction: Vec2 = [(to[0] - from[0]) / size, (to[1] - from[1]) / size]
    const count = Math.max(1, Math.round(size / every))
    for (let k = 0; k < count; k++)
      places.push({
        at: [from[0] + (direction[0] * size * k) / count, from[1] + (direction[1] * size * k) / count],
        normal: [-direction[1], direction[0]],
        stretch: i,
      })
    if (i === chain.length - 1) places.push({ at: to, normal: [-direction[1], direction[0]], stretch: i })
  }
  return places
}

/**
 * Where along the normal the brightness jumps most, pixels from the place; near ones are preferred. Null where nothing
 * jumps.
 */
function strongestJump(picture: GrayPicture, at: Vec2, normal: Vec2, reach: number): number | null {
  const profile: number[] = []
  for (let offset = -reach - 1; offset <= reach + 1; offset++)
    profile.push(brightness(picture, at[0] + normal[0] * offset, at[1] + normal[1] * offset))
  const jumps = profile.slice(2).map((bright, i) => Math.abs(bright - profile[i]!))
  const weight = (i: number) => jumps[i]! * Math.exp(-(((i - reach) / (0.9 * reach)) ** 2))
  let best = 0
  for (let i = 1; i < jumps.length; i++) if (weight(i) > weight(best)) best = i
  if (jumps[best]! < LEAST_JUMP) return null
  const [before, here, after] = [jumps[best - 1] ?? 0, jumps[best]!, jumps[best + 1] ?? 0]
  const bend = before - 2 * here + after
  const part = bend === 0 ? 0 : Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend)))
  return best - reach + part
}

/** Brightness between pixels, bilinear; the border goes on beyond the picture. */
function brightness({ width, height, pixels }: GrayPicture, x: number, y: number): number {
  const [cx, cy] = [Math.min(width - 1.001, Math.max(0, x)), Math.min(height - 1.001, Math.max(0, y))]
  const [ix, iy] = [Math.floor(cx), Math.floor(cy)]
  const [fx, fy] = [cx - ix, cy - iy]
  const row = iy * width + ix
  return (
    (pixels[row]! * (1 - fx) + pixels[row + 1]! * fx) * (1 - fy) +
    (pixels[row + width]! * (1 - fx) + pixels[row + width + 1]! * fx) * fy
  )
}

/** Brightness of an RGBA picture, by the usual weights of the three colours. */
export function toGray(rgba: Uint8Array | Uint8ClampedArray, width: number, height: number): GrayPicture {
  const pixels = new Uint8Array(width * height)
  for (let i = 0, k = 0; i < pixels.length; i++, k += 4)
    pixels[i] = (rgba[k]! * 77 + rgba[k + 1]! * 150 + rgba[k + 2]! * 29) >> 8
  return { width, height, pixels }
}
