import type { Vec2 } from '#core/math/vector/vec2'

/** A stretch of the drawing plane, mm, y up. */
export interface Bounds {
  minX: number
  maxX: number
  minY: number
  maxY: number
}

/** From millimetres (y up) to pixels (y down), at one scale in both directions. */
export interface Viewport {
  /** Pixels per millimetre. */
  readonly scale: number
  readonly originX: number
  readonly originY: number
}

export const boundsOf = (points: readonly Vec2[]): Bounds => ({
  minX: Math.min(...points.map((p) => p[0])),
  maxX: Math.max(...points.map((p) => p[0])),
  minY: Math.min(...points.map((p) => p[1])),
  maxY: Math.max(...points.map((p) => p[1])),
})

/** The viewport that shows all of the bounds in a frame of pixels, centred, with a margin for the dimension figures. */
export function fit(
  bounds: Bounds,
  width: number,
  height: number,
  margin: { x: number; top: number; bottom: number },
): Viewport {
  const [spanX, spanY] = [Math.max(bounds.maxX - bounds.minX, 1), Math.max(bounds.maxY - bounds.minY, 1)]
  const scale = Math.max(0.1, Math.min((width - 2 * margin.x) / spanX, (height - margin.top - margin.bottom) / spanY))
  return {
    scale,
    originX: width / 2 - (scale * (bounds.minX + bounds.maxX)) / 2,
    originY: margin.top + (height - margin.top - margin.bottom) / 2 + (scale * (bounds.minY + bounds.maxY)) / 2,
  }
}

export const toPixels = ([x, y]: Vec2, { scale, originX, originY }: Viewport): Vec2 => [
  originX + scale * x,
  originY - scale * y,
]
export const toDrawing = ([x, y]: Vec2, { scale, originX, originY }: Viewport): Vec2 => [
  (x - originX) / scale,
  (originY - y) / scale,
]

/** Points in pixels as the `points` of a polygon or polyline. */
export const pointList = (points: readonly Vec2[]): string =>
  points.map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ')

/** A line between two points, in pixels, as the attributes of an SVG line. */
export const lineOf = ([[x1, y1], [x2, y2]]: readonly [Vec2, Vec2]) => ({ x1, y1, x2, y2 })
