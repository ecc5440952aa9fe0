import { radians } from '../units/angle'
import { rotate } from '../vector/vec2'
import type { ClampPosition } from './clampPosition'

export const SIDES = ['A', 'B'] as const
export type Side = (typeof SIDES)[number]

/** One of something for each side: the one shape of such a pair, everywhere. */
export type PerSide<T> = Readonly<Record<Side, T>>

export const perSide = <T>(of: (side: Side) => T): PerSide<T> => ({ A: of('A'), B: of('B') })

/** A point over the clamp: u along the jaws towards the tip, v outward, w up on the side being worked. Millimetres. */
export interface ClampPoint {
  readonly u: number
  readonly v: number
  readonly w: number
}

/** Where the blade's centre plane lies over the clamp, as the side being worked sees it. */
export interface CentrePlane {
  /** Above the clamp's centre plane, at the clamp origin. */
  readonly offsetMm: number
  /** Rise outward, square to the axis. */
  readonly tiltDeg: number
  /** The axis it is tilted about: its turn in the plane, from the jaws' front line. */
  readonly axisTurnDeg: number
  /** Rise towards the tip, about the line square out of the jaws; none where it is not said. */
  readonly twistDeg?: number
}

/**
 * A blade gripped by jaws: all its errors change sign when the clamp is turned over. Source: docs/geometry.md, "The two
 * sides".
 */
export function grippedCentrePlane(hold: GrippedHold, side: Side): CentrePlane {
  const sign = side === 'A' ? 1 : -1
  const { centreOffsetMm, tiltDeg, twistDeg = 0 } = hold
  const plane = { offsetMm: sign * centreOffsetMm, tiltDeg: sign * tiltDeg, axisTurnDeg: 0 }
  return twistDeg === 0 ? plane : { ...plane, twistDeg: sign * twistDeg }
}
/** A hold in which the blade may be twisted: its centre plane rises towards the tip, on side A. */
export type GrippedHold = ClampPosition & { readonly twistDeg?: number }

/**
 * The pivot in the blade's own plane: u and v measured in the centre plane, w the height above it. Source: as above.
 */
export function pivotOverBlade(pivot: ClampPoint, plane: CentrePlane): ClampPoint {
  const axis = radians(plane.axisTurnDeg)
  const tilt = radians(plane.tiltDeg)
  const above = pivot.w - plane.offsetMm
  const [along, out] = rotate([pivot.u, pivot.v], -axis)
  const [u, v] = rotate([along, out * Math.cos(tilt) + above * Math.sin(tilt)], axis)
  const w = above * Math.cos(tilt) - out * Math.sin(tilt)
  if (!plane.twistDeg) return { u, v, w }
  const twist = radians(plane.twistDeg)
  return { u: u * Math.cos(twist) + w * Math.sin(twist), v, w: w * Math.cos(twist) - u * Math.sin(twist) }
}
