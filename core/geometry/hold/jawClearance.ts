import { nth } from '../../math/list'
import type { Contact } from '../contact/contact'
import type { Refusal } from '../../schema/refusal'
import { bladeThere } from '../../records/blade/taper'
import type { Side } from '../../records/common/side'
import { pivotOverBlade, type ClampPoint } from '../clamping/centring'
import { curveLength } from '../../math/curve/arcLength'
import type { JawSet } from '../../records/rig/jawSet'
import type { Rig } from '../../records/rig/rig'
import { centrePlaneOf, isWorked, type Setup } from '../setup/setup'
import type { Stone } from '../../records/stone/stone'
import { degrees, radians } from '../../math/units/angle'
import { clamp } from '../../math/units/figures'
import { add, dot, scale, subtract, unit } from '../../math/vector/vec2'

/** No rod of such a rig is thicker, mm; nor than what lies between its axis and the stone's face. */
const ROD_RADIUS_MM = 5
/** What stands behind the jaws reaches back at least so far from its front, mm. */
const KNOB_DEPTH_MM = 10

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
  const plane = centrePlaneOf(setup, side, { fromHeelMm: 0 })
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
      : [top('knob', knobBehindMm, Math.max(jaws.depthMm, knobBehindMm + KNOB_DEPTH_MM), knobHeightMm + opened)]),
  ]
}

/** What clears the jaws at no smaller angle than this clears them at none, degrees. */
export const AT_NO_ANGLE_DEG = 90

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
  stone: Pick<Stone, 'lengthMm' | 'widthMm' | 'faceOffsetMm'>,
  stroke: Rig['stroke'],
): LowestOver | null {
  const [theta, gauge] = [radians(contact.edgeAngleDeg), radians(contact.gaugeDeg)]
  // The rod runs over `under`, back to the pivot; `beside` it lies in the plane of the face.
  const under = add(contact.point, scale(contact.outward, stone.faceOffsetMm * Math.sin(theta)))
  const back = unit(subtract(contact.foot, under))
  const normal: Vec3 = [...scale(contact.outward, Math.sin(theta)), Math.cos(theta)]
  const along: Vec3 = [...scale(back, Math.cos(gauge)), Math.sin(gauge)]
  const beside = cross(normal, along)
  // At the bottom of its stroke the stone's upper end is at the contact, or its middle at the near stop.
  const lowerEndMm = Math.max(contact.reachMm - stone.lengthMm, (stroke?.nearestMm ?? 0) - stone.lengthMm / 2)
  const stoneEndMm = contact.reachMm - lowerEndMm
  const rodRadiusMm = Math.min(ROD_RADIUS_MM, stone.faceOffsetMm)
  const free = stone.faceOffsetMm - rodRadiusMm

  let lowest: LowestOver | null = null
  const needs = (deg: number, over: Top['what']) => {
    if (deg > 0 && deg > (lowest?.deg ?? 0)) lowest = { deg, over }
  }
  /** A corner's place on a plane so far over the face, straight under or over it. */
  const seenOn =
    (overMm: number) =>
    ({ u, v, w }: ClampPoint): Corner => {
      const from = subtract([u, v], contact.point)
      const inFront = -dot(from, contact.outward)
      const there: Vec3 = [...from, inFront * Math.tan(theta) + overMm / Math.cos(theta)]
      return { behind: dot3(there, along), beside: dot3(there, beside), inFront, w }
    }
  for (const { what, corners } of tops) {
    // What each of these needs is greatest at a corner of the part that is under it: the face is a plane.
    for (const { inFront, w } of cut(corners.map(seenOn(0)), stone.widthMm / 2, 0, stoneEndMm))
      if (w > 0) needs(inFront <= 0 ? AT_NO_ANGLE_DEG : degrees(Math.atan2(w, inFront)), what)
    for (const { inFront, w } of cut(corners.map(seenOn(free)), rodRadiusMm, stoneEndMm, contact.reachMm)) {
      const far = Math.hypot(inFront, w)
      if (far > free) needs(degrees(Math.acos(free / far) - Math.atan2(inFront, w)), what)
    }
  }
  return lowest
}

type Vec3 = readonly [number, number, number]
const dot3 = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const cross = ([a, b, c]: Vec3, [x, y, z]: Vec3): Vec3 => [b * z - c * y, c * x - a * z, a * y - b * x]

/**
 * Whether the stone passes over the jaws at this contact: the lowest angle over them is no steeper than the contact's
 * own. Where every corner of theirs stands in front of the contact and under the face's plane, all of them do, and
 * nothing has to be cut.
 */
export function passesOverJaws(contact: Contact, tops: readonly Top[], ...by: Stroked): boolean {
  const theta = radians(contact.edgeAngleDeg)
  const [sin, cos] = [Math.sin(theta), Math.cos(theta)]
  const { point, outward } = contact
  const isUnder = ({ u, v, w }: ClampPoint) => {
    const inFront = (point[0] - u) * outward[0] + (point[1] - v) * outward[1]
    return inFront > 0 && w * cos <= inFront * sin
  }
  if (tops.every(({ corners }) => corners.every(isUnder))) return true
  const lowest = lowestOverJaws(contact, tops, ...by)
  return lowest === null || lowest.deg <= contact.edgeAngleDeg
}
type Stroked = [stone: Pick<Stone, 'lengthMm' | 'widthMm' | 'faceOffsetMm'>, stroke: Rig['stroke']]

/** The same, the angle alone. */
export const lowestAngleOverJawsDeg = (...given: Parameters<typeof lowestOverJaws>): number | null =>
  lowestOverJaws(...given)?.deg ?? null

/** A corner seen from the contact, mm: behind it along the rod, beside the rod, inside of the tangent, and how high. */
interface Corner {
  readonly behind: number
  readonly beside: number
  readonly inFront: number
  readonly w: number
}

/** The part of a top under a strip along the rod, so wide to both sides, between two places behind the contact. */
function cut(corners: readonly Corner[], halfWidthMm: number, fromMm: number, toMm: number): readonly Corner[] {
  const inside: ((at: Corner) => number)[] = [
    (at) => at.behind - fromMm,
    (at) => toMm - at.behind,
    (at) => halfWidthMm - at.beside,
    (at) => halfWidthMm + at.beside,
  ]
  return inside.reduce<readonly Corner[]>(clipped, corners)
}

/** A convex shape without what lies beyond one line (Sutherland and Hodgman 1974). */
function clipped(shape: readonly Corner[], inside: (at: Corner) => number): readonly Corner[] {
  return shape.flatMap((at, i) => {
    const before = nth(shape, (i + shape.length - 1) % shape.length)
    const [now, was] = [inside(at), inside(before)]
    const crossing = now >= 0 !== was >= 0 ? [between(before, at, was / (was - now))] : []
    return now >= 0 ? [...crossing, at] : crossing
  })
}
const between = (a: Corner, b: Corner, share: number): Corner => ({
  behind: a.behind + (b.behind - a.behind) * share,
  beside: a.beside + (b.beside - a.beside) * share,
  inFront: a.inFront + (b.inFront - a.inFront) * share,
  w: a.w + (b.w - a.w) * share,
})

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
  const tops = topsOf(setup, side, jaws)
  // Whether it clears them is seen far sooner than from which angle on it would.
  return along.reduce(
    (short, contact) =>
      !contact.ok || !isWorked(setup, contact) || passesOverJaws(contact, tops, setup.stone, setup.rig.stroke)
        ? short
        : Math.max(short, shortAtDeg(contact, tops, setup)),
    0,
  )
}

/** Below 0 by how much the stone clears the jaws at a contact, degrees; as above. */
function shortAtDeg(contact: Contact, tops: readonly Top[], { stone, rig }: Setup): number {
  const lowestDeg = lowestAngleOverJawsDeg(contact, tops, stone, rig.stroke)
  if (lowestDeg === null) return -Infinity
  return lowestDeg < AT_NO_ANGLE_DEG ? lowestDeg - contact.edgeAngleDeg : Infinity
}

/** Where the stone clears the jaws by more than this, it does so between that place and the next as well, degrees. */
const NEAR_DEG = 0.5

/**
 * The places of an edge, by their index, where the stone comes nearer to the jaws than at the two beside them, and so
 * near that between these it may meet them: on a hollow edge the nearest is a sharp peak.
 */
export function nearestToJaws(setup: Setup, side: Side, jaws: JawSet, along: readonly Contact[]): number[] {
  const tops = topsOf(setup, side, jaws)
  const { stone, rig } = setup
  const short = along.map((contact) => {
    const flatter = { ...contact, edgeAngleDeg: contact.edgeAngleDeg - NEAR_DEG }
    return passesOverJaws(flatter, tops, stone, rig.stroke) ? -Infinity : shortAtDeg(contact, tops, setup)
  })
  const at = (i: number) => short[i] ?? -Infinity
  return along.flatMap((_, i) => (at(i) > -Infinity && at(i) >= at(i - 1) && at(i) >= at(i + 1) ? [i] : []))
}
