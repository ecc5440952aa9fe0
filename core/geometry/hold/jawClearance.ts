import { nth } from '../../math/list'
import type { Contact } from '../contact/contact'
import type { Refusal } from '../../schema/refusal'
import { bladeThere } from '../../records/blade/taper'
import type { Side } from '../../records/common/side'
import { pivotOverBlade, type ClampPoint } from '../clamping/centring'
import { curveLength } from '../../math/curve/arcLength'
import type { JawSet } from '../../records/rig/jawSet'
import { knobEndsMm } from '../../records/rig/knobEnds'
import type { Rig } from '../../records/rig/rig'
import { centrePlaneOf, isWorked, type Setup } from '../setup/setup'
import type { Stone } from '../../records/stone/stone'
import { degrees, radians } from '../../math/units/angle'
import { clamp } from '../../math/units/figures'

/** No rod of such a rig is thicker, mm; nor than what lies between its axis and the stone's face. */
const ROD_RADIUS_MM = 5

/** The top of something that stands in the stone's way, in the blade's own plane as the side being worked sees it. */
interface Top {
  readonly what: 'jaws' | 'knob'
  /** Its four corners, one after the other. */
  readonly corners: readonly ClampPoint[]
}

/** How thick the blade is at most between the jaws, mm: they open by as much. */
function grippedThicknessMm({ blade, hold }: Pick<Setup, 'blade' | 'hold'>, jaws: JawSet): number {
  const lengthMm = Math.max(1, curveLength(blade.edge))
  const at = (alongMm: number) =>
    bladeThere(blade, clamp((hold.bladeXMm + alongMm) / lengthMm, [0, 1])).spineThicknessMm
  return Math.max(at(-jaws.widthMm / 2), at(jaws.widthMm / 2))
}

/**
 * The tops of the jaws, and of what stands higher behind their front, over the blade's plane: half of the blade's
 * thickness further up than they were measured, nearer to it or farther from it by its centring. Source:
 * docs/geometry.md, "Limits".
 */
export function topsOf(setup: Setup, side: Side, jaws: JawSet): Top[] {
  const plane = centrePlaneOf(setup, side)
  const opened = grippedThicknessMm(setup, jaws) / 2
  const half = jaws.widthMm / 2
  const top = (what: Top['what'], front: number, back: number, w: number): Top => ({
    what,
    corners: [
      { u: -half, v: -front, w },
      { u: half, v: -front, w },
      { u: half, v: -back, w },
      { u: -half, v: -back, w },
    ].map((corner) => pivotOverBlade(corner, plane)),
  })
  const { knobHeightMm, knobBehindMm } = jaws
  return [
    top('jaws', 0, jaws.depthMm, jaws.halfThicknessMm + opened),
    ...(knobHeightMm === null || knobBehindMm === null
      ? []
      : [top('knob', knobBehindMm, knobEndsMm(knobBehindMm, jaws), knobHeightMm + opened)]),
  ]
}

/** What clears the jaws at no smaller angle than this clears them at none, degrees. */
export const AT_NO_ANGLE_DEG = 90

/** What of a stone tells how it passes over the jaws. */
type Stroked = Pick<Stone, 'lengthMm' | 'widthMm' | 'faceOffsetMm'>

/** The lowest edge angle at which the stone and its rod pass, and what that is for. */
export interface LowestOver {
  readonly deg: number
  readonly over: Top['what']
}

/**
 * The lowest edge angle (degrees) at which the stone at this contact passes over the jaws and what stands behind their
 * front, also at the bottom of its stroke, and the rod behind it too; null where they are never in its way.
 * AT_NO_ANGLE_DEG where the stone would have to come down on them from in front. Source: docs/geometry.md, "Limits".
 */
export function lowestOverJaws(
  contact: Contact,
  tops: readonly Top[],
  stone: Stroked,
  stroke: Rig['stroke'],
): LowestOver | null {
  const [theta, gauge] = [radians(contact.edgeAngleDeg), radians(contact.gaugeDeg)]
  // The rod runs over `under`, back to the pivot; `beside` it lies in the plane of the face.
  const [sin, cos] = [Math.sin(theta), Math.cos(theta)]
  const { point, outward, foot } = contact
  const under = stone.faceOffsetMm * sin
  const [backU, backV] = [foot[0] - point[0] - outward[0] * under, foot[1] - point[1] - outward[1] * under]
  const flat = Math.cos(gauge) / Math.hypot(backU, backV)
  const [alongU, alongV, alongW] = [backU * flat, backV * flat, Math.sin(gauge)]
  const [besideU, besideV, besideW] = [
    outward[1] * sin * alongW - cos * alongV,
    cos * alongU - outward[0] * sin * alongW,
    outward[0] * sin * alongV - outward[1] * sin * alongU,
  ]
  // At the bottom of its stroke the stone's upper end is at the contact, or its middle at the near stop.
  const lowerEndMm = Math.max(contact.reachMm - stone.lengthMm, (stroke?.nearestMm ?? 0) - stone.lengthMm / 2)
  const stoneEndMm = contact.reachMm - lowerEndMm
  const rodRadiusMm = Math.min(ROD_RADIUS_MM, stone.faceOffsetMm)
  const free = stone.faceOffsetMm - rodRadiusMm

  let lowest: LowestOver | null = null
  const needs = (deg: number, over: Top['what']) => {
    if (deg > 0 && deg > (lowest?.deg ?? 0)) lowest = { deg, over }
  }
  /** The corners' places on a plane so far over the face, straight under or over them. */
  const seenOn = ({ corners }: Top, overMm: number): Outline => {
    const seen = shapes[0]
    seen.count = corners.length
    corners.forEach(({ u, v, w }, i) => {
      const [fromU, fromV] = [u - point[0], v - point[1]]
      const inFront = -(fromU * outward[0] + fromV * outward[1])
      const height = (inFront * sin + overMm) / cos
      const corner = nth(seen.corners, i)
      corner.behind = fromU * alongU + fromV * alongV + height * alongW
      corner.beside = fromU * besideU + fromV * besideV + height * besideW
      corner.inFront = inFront
      corner.w = w
    })
    return seen
  }
  for (const top of tops) {
    // What each of these needs is greatest at a corner of the part that is under it: the face is a plane.
    const face = cut(seenOn(top, 0), stone.widthMm / 2, 0, stoneEndMm)
    for (let i = 0; i < face.count; i++) {
      const { inFront, w } = nth(face.corners, i)
      if (w > 0) needs(inFront <= 0 ? AT_NO_ANGLE_DEG : degrees(Math.atan2(w, inFront)), top.what)
    }
    const rod = cut(seenOn(top, free), rodRadiusMm, stoneEndMm, contact.reachMm)
    for (let i = 0; i < rod.count; i++) {
      const { inFront, w } = nth(rod.corners, i)
      const far = Math.hypot(inFront, w)
      if (far > free) needs(degrees(Math.acos(free / far) - Math.atan2(inFront, w)), top.what)
    }
  }
  return lowest
}

/**
 * Whether the stone passes over the jaws at this contact: the lowest angle over them is no steeper than the contact's
 * own, less a margin (degrees). Where every corner of theirs stands in front of the contact and under the face's plane,
 * all of them do, and nothing has to be cut.
 */
export function passesOverJaws(
  contact: Contact,
  tops: readonly Top[],
  stone: Stroked,
  stroke: Rig['stroke'],
  marginDeg = 0,
): boolean {
  const least = contact.edgeAngleDeg - marginDeg
  const slope = Math.tan(radians(least))
  const { point, outward } = contact
  const isUnder = ({ u, v, w }: ClampPoint) => {
    const inFront = (point[0] - u) * outward[0] + (point[1] - v) * outward[1]
    return inFront > 0 && w <= inFront * slope
  }
  if (least > 0 && tops.every(({ corners }) => corners.every(isUnder))) return true
  const lowest = lowestOverJaws(contact, tops, stone, stroke)
  return lowest === null || lowest.deg <= least
}

/** The same, the angle alone. */
export const lowestAngleOverJawsDeg = (...given: Parameters<typeof lowestOverJaws>): number | null =>
  lowestOverJaws(...given)?.deg ?? null

/** A corner seen from the contact, mm: behind it along the rod, beside the rod, inside of the tangent, and how high. */
interface Corner {
  behind: number
  beside: number
  inFront: number
  w: number
}
/** A convex shape: the first so many of its corners. Two are used throughout, for thousands are cut in each drag. */
interface Outline {
  count: number
  readonly corners: readonly Corner[]
}
/** A rectangle cut by four lines has eight corners at the most. */
const newOutline = (): Outline => ({
  count: 0,
  corners: Array.from({ length: 8 }, () => ({ behind: 0, beside: 0, inFront: 0, w: 0 })),
})
const shapes = [newOutline(), newOutline()] as const

/** The part of a top under a strip along the rod, so wide to both sides, between two places behind the contact. */
function cut(seen: Outline, halfWidthMm: number, fromMm: number, toMm: number): Outline {
  let [shape, other] = [seen, seen === shapes[0] ? shapes[1] : shapes[0]]
  const within = (of: 'behind' | 'beside', sign: 1 | -1, limit: number) => {
    clip(shape, other, of, sign, limit)
    ;[shape, other] = [other, shape]
  }
  within('behind', 1, fromMm)
  within('behind', -1, -toMm)
  within('beside', 1, -halfWidthMm)
  within('beside', -1, -halfWidthMm)
  return shape
}

/** Puts what of a convex shape has sign · (behind or beside) ≥ limit into another (Sutherland and Hodgman 1974). */
function clip(shape: Outline, into: Outline, of: 'behind' | 'beside', sign: 1 | -1, limit: number): void {
  into.count = 0
  const add = (from: Corner, to: Corner, share: number) => {
    const corner = nth(into.corners, into.count++)
    corner.behind = from.behind + (to.behind - from.behind) * share
    corner.beside = from.beside + (to.beside - from.beside) * share
    corner.inFront = from.inFront + (to.inFront - from.inFront) * share
    corner.w = from.w + (to.w - from.w) * share
  }
  for (let i = 0; i < shape.count; i++) {
    const here = nth(shape.corners, i)
    const before = nth(shape.corners, i === 0 ? shape.count - 1 : i - 1)
    const [now, was] = [sign * here[of] - limit, sign * before[of] - limit]
    if (now >= 0 !== was >= 0) add(before, here, was / (was - now))
    if (now >= 0) add(here, here, 0)
  }
}

/** Judged at some places along the edge, what clears the jaws may lack this much between them, degrees. */
export const CLEARANCE_TOLERANCE_DEG = 0.05

/**
 * By how much the stone is too flat somewhere that is worked to clear the jaws, degrees, judged at each place by the
 * angle there: the worst of a side's contacts; 0 where it clears them at each, Infinity where no angle would do.
 * Source: docs/geometry.md, "Limits".
 */
export function shortOverJawsDeg(
  setup: Setup,
  side: Side,
  jaws: JawSet,
  along: readonly (Contact | Refusal)[],
): number {
  const worked = along.filter((contact): contact is Contact => contact.ok && isWorked(setup, contact))
  return Math.max(0, ...shortAtEach(setup, side, jaws, worked, 0))
}

/**
 * The same of each contact, below 0 by how much the stone clears the jaws there; −Infinity where it does by more than a
 * margin (degrees): that is seen far sooner than from which angle on it would.
 */
export function shortAtEach(
  setup: Setup,
  side: Side,
  jaws: JawSet,
  along: readonly Contact[],
  marginDeg: number,
): number[] {
  const { stone, rig } = setup
  const tops = topsOf(setup, side, jaws)
  return along.map((contact) => {
    if (passesOverJaws(contact, tops, stone, rig.stroke, marginDeg)) return -Infinity
    const lowestDeg = lowestAngleOverJawsDeg(contact, tops, stone, rig.stroke)
    if (lowestDeg === null) return -Infinity
    return lowestDeg < AT_NO_ANGLE_DEG ? lowestDeg - contact.edgeAngleDeg : Infinity
  })
}
