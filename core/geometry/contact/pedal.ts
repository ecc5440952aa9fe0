import type { ClampPoint } from '../clamping/centring'
import type { ClampFrame } from '../clamping/clampFrame'
import type { EdgePoint } from '../../math/curve/edgePoints'
import type { Vec2 } from '../../math/vector/vec2'

/** A pivot over a held blade, in the blade's own plane, that can slide along a slot. */
export interface SlidingPivot {
  readonly pivot: ClampPoint
  /** How far to either side. */
  readonly slideMm: number
  /** Where a millimetre along the slot leads; along u where it is not said. */
  readonly slide?: ClampPoint
}

/** The edge's tangent at an edge point and the pivot's foot, in the blade's plane, clamp-frame (u, v), mm. */
export interface Pedal {
  readonly point: Vec2
  /** Unit normal of the tangent, out of the blade. */
  readonly outward: Vec2
  /** The pivot's foot, where it has slid to. */
  readonly foot: Vec2
  /** The pivot above the blade's centre plane there. */
  readonly heightMm: number
  /** How far it has slid from the middle of its slot. */
  readonly slidMm: number
  /** From the foot to the tangent line; negative when the tangent runs behind the pivot. */
  readonly distanceMm: number
}

export const ALONG_U: ClampPoint = { u: 1, v: 0, w: 0 }

/**
 * The pedal distance of an edge point from a pivot. In a wide slot it has slid to where the rod is nearest to square
 * with the edge; `offMm`: so much further, as far as the slot goes. Written out in scalars, for it runs for every edge
 * point of the edge while the blade is dragged. Source: docs/geometry.md, "Edge angle".
 */
export function pedalAt(edgePoint: EdgePoint, frame: ClampFrame, over: SlidingPivot, offMm = 0): Pedal {
  const { pivot, slideMm, slide = ALONG_U } = over
  const x = edgePoint.point[0] - frame.x
  const y = edgePoint.point[1] - frame.y
  const u = x * frame.cos - y * frame.sin
  const v = x * frame.sin + y * frame.cos
  const headingU = edgePoint.heading[0] * frame.cos - edgePoint.heading[1] * frame.sin
  const headingV = edgePoint.heading[0] * frame.sin + edgePoint.heading[1] * frame.cos
  let slidMm = 0
  if (slideMm > 0) {
    const square = ((u - pivot.u) * headingU + (v - pivot.v) * headingV) / (slide.u * headingU + slide.v * headingV)
    const within = (mm: number) => Math.min(slideMm, Math.max(-slideMm, mm))
    slidMm = within((Number.isFinite(square) ? within(square) : 0) + offMm)
  }
  const footU = pivot.u + slidMm * slide.u
  const footV = pivot.v + slidMm * slide.v
  return {
    point: [u, v],
    outward: [-headingV, headingU],
    foot: [footU, footV],
    heightMm: pivot.w + slidMm * slide.w,
    slidMm,
    distanceMm: headingU * (v - footV) - headingV * (u - footU),
  }
}
