import { failed, type Failure } from '../../schema/result'
import { nth } from '../../math/list'
import { repeated } from '../../math/statistics/repeated'
import { dot, subtract, type Vec2 } from '../../math/vector/vec2'

/** What is marked in a close-up of a bevel, pixels of the picture. */
export interface MarkedBevel {
  /** Two marks that lie a known length apart. */
  readonly scale: readonly Vec2[]
  readonly scaleMm: number
  /** Along the edge. */
  readonly edge: readonly Vec2[]
  /** Where the shoulder is measured. */
  readonly shoulder: readonly Vec2[]
}

export type PictureWidth =
  | {
      readonly ok: true
      readonly widthMm: number
      /** Half-width of the range that holds 95 in 100. */
      readonly uncertaintyMm: number
      /** What a pixel of the picture is. */
      readonly pixelMm: number
    }
  | Failure<'no-scale' | 'no-edge' | 'no-shoulder'>

/** A mark is set to so many pixels, 95 in 100. */
const MARK_PX = 2
/** Two marks of the scale lie so many pixels apart at least. */
const LEAST_SCALE_PX = 20

/**
 * The width of a bevel in a close-up taken square to its face: the mean distance of the shoulder's marks from the line
 * of the edge, by the scale in the picture; uncertainty from the marks' own, and from their scatter (Student's factor)
 * where there are several. Source: docs/bevel-check.md, "On a photograph".
 */
export function pictureWidth({ scale, scaleMm, edge, shoulder }: MarkedBevel): PictureWidth {
  const across = scale.length === 2 ? subtract(nth(scale, 1), nth(scale, 0)) : [0, 0]
  const scalePx = Math.hypot(nth(across, 0), nth(across, 1))
  if (scalePx < LEAST_SCALE_PX || !(scaleMm > 0)) return failed('no-scale')
  if (edge.length < 2) return failed('no-edge')
  if (shoulder.length === 0) return failed('no-shoulder')
  const pixelMm = scaleMm / scalePx
  const widths = repeated(shoulder.map((mark) => distanceFrom(edge, mark) * pixelMm))!
  const n = shoulder.length
  const byMarks = (Math.SQRT2 * MARK_PX * pixelMm) / Math.sqrt(n)
  const byScale = (widths.mean * Math.SQRT2 * MARK_PX) / scalePx
  return {
    ok: true,
    widthMm: widths.mean,
    uncertaintyMm: Math.hypot(Math.max(widths.uncertainty ?? 0, byMarks), byScale),
    pixelMm,
  }
}

/** How far a point lies from a line of straight pieces, the first and last of them running on. */
function distanceFrom(line: readonly Vec2[], point: Vec2): number {
  return Math.min(
    ...line.slice(1).map((to, i) => {
      const from = nth(line, i)
      const [along, towards] = [subtract(to, from), subtract(point, from)]
      const share = dot(towards, along) / (dot(along, along) || 1)
      const at = Math.max(i === 0 ? -Infinity : 0, Math.min(i === line.length - 2 ? Infinity : 1, share))
      return Math.hypot(towards[0] - at * along[0], towards[1] - at * along[1])
    }),
  )
}
