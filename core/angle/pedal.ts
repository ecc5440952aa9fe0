import type { ClampPoint } from '../clamping/centring'
import type { ClampFrame } from '../clamping/clampFrame'
import type { Station } from '../curve/stations'
import type { Vec2 } from '../vector/vec2'

/** The edge's tangent at a station and the pivot's foot, in the blade's plane, clamp-frame (u, v), mm. */
export interface Pedal {
  readonly point: Vec2
  /** Unit normal of the tangent, out of the blade. */
  readonly outward: Vec2
  /** The pivot's foot, where it has slid to. */
  readonly foot: Vec2
  /** From the foot to the tangent line; negative when the tangent runs behind the pivot. */
  readonly distanceMm: number
}

/**
 * The pedal distance of a station from a pivot that can slide along u. Written out in scalars, for it runs for every
 * station of the edge while the blade is dragged. Source: docs/geometry.md, "Edge angle".
 */
export function pedalAt(station: Station, frame: ClampFrame, pivot: ClampPoint, slideMm: number): Pedal {
  const x = station.point[0] - frame.x
  const y = station.point[1] - frame.y
  const u = x * frame.cos - y * frame.sin
  const v = x * frame.sin + y * frame.cos
  const headingU = station.heading[0] * frame.cos - station.heading[1] * frame.sin
  const headingV = station.heading[0] * frame.sin + station.heading[1] * frame.cos
  const footU = slideMm === 0 ? pivot.u : slidTo(u + ((v - pivot.v) * headingV) / headingU, pivot.u, slideMm)
  const distanceMm = headingU * (v - pivot.v) - headingV * (u - footU)
  return { point: [u, v], outward: [-headingV, headingU], foot: [footU, pivot.v], distanceMm }
}

/** In a wide slot the pivot slides to where the rod is nearest to square with the edge. */
const slidTo = (squareU: number, middleU: number, slideMm: number): number =>
  Number.isFinite(squareU) ? Math.min(middleU + slideMm, Math.max(middleU - slideMm, squareU)) : middleU
