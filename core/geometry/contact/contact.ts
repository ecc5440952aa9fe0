import { clampFrame, type ClampFrame } from '../clamping/clampFrame'
import type { ClampPosition } from '../../records/job/clampPosition'
import type { EdgePoint } from '../../math/curve/edgePoints'
import { degrees, radians } from '../../math/units/angle'
import { edgeAngle } from '../../math/edgeAngle/edgeAngle'
import { pedalAt, type Pedal, type SlidingPivot } from './pedal'
import { refuse, type Refusal } from '../../schema/refusal'
import type { Seat } from './underStone'

/** What stands over a held blade: the pivot in the blade's own plane, the stone and the rod. */
export interface RodPose extends SlidingPivot {
  readonly faceOffsetMm: number
  readonly rodLengthMm: number
  readonly stoneLengthMm: number
  /** Where the stone lies with its middle over a place; on the place itself where it is not said. */
  readonly seat?: Seat | null
  /** Where stops keep the stone's middle on the rod, from the pivot. */
  readonly stroke?: { readonly nearestMm: number; readonly farthestMm: number } | null
}

/** A stroke along the rod is at least so long, mm, or as long as the stone: a shorter one grinds nothing evenly. */
const LEAST_STROKE_MM = 10

/**
 * How much of the stone's length passes over a place so far from the pivot along the rod, mm: its middle goes from stop
 * to stop, or where there are none, until its end is at the end of the rod. Source: docs/geometry.md, "Limits".
 */
export function strokeMm(reachMm: number, over: Pick<RodPose, 'rodLengthMm' | 'stroke' | 'stoneLengthMm'>): number {
  const half = over.stoneLengthMm / 2
  const nearestMm = over.stroke?.nearestMm ?? -Infinity
  const farthestMm = over.stroke?.farthestMm ?? over.rodLengthMm - half
  return Math.max(0, Math.min(half, reachMm - nearestMm) + Math.min(half, farthestMm - reachMm))
}

/** A place as the stone lies over it. */
export const seatedAt = (edgePoint: EdgePoint, { seat }: Pick<RodPose, 'seat'>): EdgePoint =>
  seat?.(edgePoint) ?? edgePoint

/** The stone at one place of the edge, in the blade's plane as the side being worked sees it. */
export interface Contact extends Pedal {
  readonly ok: true
  readonly fromHeelMm: number
  /** True edge angle per side. */
  readonly edgeAngleDeg: number
  /** What a level gauge on the stone, zeroed on the blade's plane, reads with the stone centred over the contact. */
  readonly gaugeDeg: number
  /** From the pivot along the rod to where the stone is centred over the contact. */
  readonly reachMm: number
}

/**
 * The edge angle and all that goes with it at one edge point of the edge. Refused as edgeAngle refuses, and when the
 * rod ends before the contact or leaves no stroke over it, or the stone's middle would pass its stops (`limitMm`: the
 * rod, or the reach from the pivot, that is needed).
 * Source: docs/geometry.md, "Edge angle", "What a level gauge reads" and "Limits".
 */
export const contactAt = (edgePoint: EdgePoint, hold: ClampPosition, over: RodPose): Contact | Refusal =>
  contactIn(clampFrame(hold), edgePoint, over)

/** The contacts along an edge, edge point by edge point, each with its angle or the reason why there is none. */
export function contactsAlong(
  edgePoints: readonly EdgePoint[],
  hold: ClampPosition,
  over: RodPose,
): (Contact | Refusal)[] {
  const frame = clampFrame(hold)
  return edgePoints.map((edgePoint) => contactIn(frame, edgePoint, over))
}

function contactIn(frame: ClampFrame, edgePoint: EdgePoint, over: RodPose): Contact | Refusal {
  const { point, outward, foot, heightMm, slidMm, distanceMm } = pedalAt(seatedAt(edgePoint, over), frame, over)
  const angle = edgeAngle(heightMm, distanceMm, over.faceOffsetMm)
  if (!angle.ok) return angle
  const theta = radians(angle.edgeAngleDeg)
  const lift = over.faceOffsetMm * Math.sin(theta)
  const runU = point[0] + outward[0] * lift - foot[0]
  const runV = point[1] + outward[1] * lift - foot[1]
  const run = Math.sqrt(runU * runU + runV * runV)
  const fall = heightMm - over.faceOffsetMm * Math.cos(theta)
  const reachMm = Math.sqrt(run * run + fall * fall)
  const rodNeededMm = reachMm + (over.stroke ? 0 : Math.min(LEAST_STROKE_MM, over.stoneLengthMm))
  if (rodNeededMm > over.rodLengthMm) return refuse('beyond-rod', { limitMm: rodNeededMm })
  if (over.stroke && reachMm > over.stroke.farthestMm) return refuse('beyond-stop', { limitMm: reachMm })
  if (over.stroke && reachMm < over.stroke.nearestMm) return refuse('before-stop', { limitMm: reachMm })
  const gaugeDeg = degrees(Math.atan2(fall, run))
  const { fromHeelMm } = edgePoint
  return {
    ok: true,
    point,
    outward,
    foot,
    distanceMm,
    slidMm,
    fromHeelMm,
    heightMm,
    edgeAngleDeg: angle.edgeAngleDeg,
    gaugeDeg,
    reachMm,
  }
}

/**
 * How far the pivot stands above (negative: below) a face that would lie on the tangent at this edge angle, less the
 * face offset, mm. Zero where the angle is met; linear in the pivot's height.
 * Source: docs/geometry.md, "Solving for a wanted angle".
 */
export function faceGapMm(edgePoint: EdgePoint, hold: ClampPosition, over: RodPose, edgeAngleDeg: number): number {
  const theta = radians(edgeAngleDeg)
  const { distanceMm, heightMm } = pedalAt(seatedAt(edgePoint, over), clampFrame(hold), over)
  return heightMm * Math.cos(theta) - distanceMm * Math.sin(theta) - over.faceOffsetMm
}
