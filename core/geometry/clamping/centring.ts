import { radians } from '../../math/units/angle'
import type { Side } from '../../records/common/side'
import type { ClampPosition } from '../../records/job/clampPosition'

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
export const pivotOverBlade = (pivot: ClampPoint, plane: CentrePlane): ClampPoint => overPlane(plane)(pivot)

/** The same for many points: the plane is worked out once. */
export function overPlane({
  offsetMm,
  tiltDeg,
  axisTurnDeg,
  twistDeg = 0,
}: CentrePlane): (at: ClampPoint) => ClampPoint {
  const [axis, tilt, twist] = [radians(axisTurnDeg), radians(tiltDeg), radians(twistDeg)]
  const [cosAxis, sinAxis] = [Math.cos(axis), Math.sin(axis)]
  const [cosTilt, sinTilt] = [Math.cos(tilt), Math.sin(tilt)]
  const [cosTwist, sinTwist] = [Math.cos(twist), Math.sin(twist)]
  return (at) => {
    const above = at.w - offsetMm
    const along = at.u * cosAxis + at.v * sinAxis
    const out = at.v * cosAxis - at.u * sinAxis
    const tiltedOut = out * cosTilt + above * sinTilt
    const u = along * cosAxis - tiltedOut * sinAxis
    const v = along * sinAxis + tiltedOut * cosAxis
    const w = above * cosTilt - out * sinTilt
    return { u: u * cosTwist + w * sinTwist, v, w: w * cosTwist - u * sinTwist }
  }
}
