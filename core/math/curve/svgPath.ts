import type { Curve } from './curve'
import type { Segment } from './segment'
import { segmentAt } from './segmentAt'
import type { Vec2 } from '../vector/vec2'

/** Decimals for the screen, mm. */
const SHOWN = 3

/**
 * An SVG path of the curve in its own frame (mm, y as given: the drawing's transform decides what is up).
 * `joinTo` continues a path that has begun instead of moving to the start.
 */
export function svgPath(curve: Curve, joinTo = false, decimals = SHOWN): string {
  const round = (value: number) => Number(value.toFixed(decimals))
  const format = ([x, y]: Vec2) => `${round(x)} ${round(y)}`
  const first = curve[0]
  if (!first) return ''
  return `${joinTo ? 'L' : 'M'}${format(segmentAt(first, 0).point)} ${curve.map(drawTo).join(' ')}`

  function drawTo(segment: Segment): string {
    if (segment.type === 'line') return `L${format(segment.to)}`
    if (segment.type === 'bezier')
      return `C${segment.points
        .slice(1)
        .map((p) => format(p))
        .join(' ')}`
    const sweep = segment.endDeg - segment.startDeg
    return `A${segment.radiusMm} ${segment.radiusMm} 0 ${Math.abs(sweep) > 180 ? 1 : 0} ${sweep > 0 ? 1 : 0} ${format(segmentAt(segment, 1).point)}`
  }
}
