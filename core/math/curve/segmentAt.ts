import { radians } from '../units/angle'
import { leftOf, scale, subtract, unit, type Vec2 } from '../vector/vec2'
import type { ArcSegment, BezierSegment, Segment } from './segment'

/** A point of a segment and the unit heading there, towards the tip, in the segment's own frame (mm). */
export interface PointAndHeading {
  readonly point: Vec2
  readonly heading: Vec2
}

/** The point and heading at parameter t from 0 (start) to 1 (end). Source: docs/geometry.md, "Edge curves". */
export function segmentAt(segment: Segment, t: number): PointAndHeading {
  if (segment.type === 'line') {
    const along = subtract(segment.to, segment.from)
    return { point: [segment.from[0] + along[0] * t, segment.from[1] + along[1] * t], heading: unit(along) }
  }
  return segment.type === 'arc' ? arcAt(segment, t) : bezierAt(segment, t)
}

function arcAt(arc: ArcSegment, t: number): PointAndHeading {
  const angle = radians(arc.startDeg + (arc.endDeg - arc.startDeg) * t)
  const out: Vec2 = [Math.cos(angle), Math.sin(angle)]
  const sense = arc.endDeg >= arc.startDeg ? 1 : -1
  return {
    point: [arc.centre[0] + arc.radiusMm * out[0], arc.centre[1] + arc.radiusMm * out[1]],
    heading: scale(leftOf(out), sense),
  }
}

function bezierAt({ points: [a, b, c, d] }: BezierSegment, t: number): PointAndHeading {
  const m = 1 - t
  const mix = (i: 0 | 1) => m * m * m * a[i] + 3 * m * m * t * b[i] + 3 * m * t * t * c[i] + t * t * t * d[i]
  const derivative = bezierDerivative(a, b, c, d, t)
  // Where a handle coincides with its end the derivative vanishes: the heading is the limit, towards the next distinct
  // handle.
  const heading = Math.hypot(...derivative) > 1e-9 ? derivative : t < 0.5 ? subtract(c, a) : subtract(d, b)
  return { point: [mix(0), mix(1)], heading: unit(heading) }
}

function bezierDerivative(a: Vec2, b: Vec2, c: Vec2, d: Vec2, t: number): Vec2 {
  const m = 1 - t
  const component = (i: 0 | 1) => 3 * (m * m * (b[i] - a[i]) + 2 * m * t * (c[i] - b[i]) + t * t * (d[i] - c[i]))
  return [component(0), component(1)]
}

/** Speed |dP/dt| of a Bézier at t, in mm per unit of t. */
export function bezierSpeed({ points: [a, b, c, d] }: BezierSegment, t: number): number {
  return Math.hypot(...bezierDerivative(a, b, c, d, t))
}
