import { nth } from '#core/math/list'
import { outlinePath } from '#core/records/blade/outline'
import type { SideSet } from '#core/uncertainty/evaluate'
import type { Setup } from '#core/geometry/setup/setup'
import type { Side } from '#core/records/common/side'
import { clampFrame, toClampFrame } from '#core/geometry/clamping/clampFrame'
import type { EdgePoint } from '#core/math/curve/edgePoints'
import { pivotAt } from '#core/geometry/clamping/pivot'
import { add, length, leftOf, scale, subtract, unit, type Vec2 } from '#core/math/vector/vec2'
import { dimension, type Dimension } from '~/drawing/dimension'
import { jawMarks, type JawMarks } from '~/drawing/jawMarks'
import { boundsOf, toPixels, type Bounds, type Viewport } from '~/drawing/viewport'

/** How much of a handle is drawn before it is broken off, mm. */
const HANDLE_SHOWN_MM = 24

const KNOB_CLEARANCE_PX = 36

/** What the plan must show: the blade as it is held, the jaws and the pivot. Clamp frame, mm. */
export function planBounds(setup: Setup, edgePoints: readonly EdgePoint[]): Bounds {
  const frame = clampFrame(setup.hold)
  const heel = setup.blade.handleLengthMm > 0 ? [toClampFrame([-HANDLE_SHOWN_MM, 0], frame)] : []
  const jaws = setup.rig.jaws ? setup.rig.jaws.widthMm / 2 : 20
  const setback = Math.max(setup.rig.pivot.setbackMm, setup.rig.pivotB?.setbackMm ?? 0)
  return boundsOf([
    ...edgePoints.filter((_, i) => i % 20 === 0).map((s) => toClampFrame(s.point, frame)),
    toClampFrame([0, 0], frame),
    ...heel,
    [-jaws, 0],
    [jaws, -setback],
  ])
}

export interface PlanView {
  readonly bladeTransform: string
  readonly bladePath: string
  readonly handle: { x: number; y: number; width: number; height: number } | null
  readonly jaws: { x: number; y: number; width: number; height: number } | null
  /** The jaws' front line (or the table's reference line), from side to side. */
  readonly frontLine: readonly [Vec2, Vec2]
  readonly marks: JawMarks
  readonly edge: readonly Vec2[]
  readonly pivot: Vec2
  readonly slide: readonly [Vec2, Vec2] | null
  readonly rod: readonly [Vec2, Vec2]
  readonly stone: readonly Vec2[]
  readonly tangent: readonly [Vec2, Vec2]
  /** Where the perpendicular from the pivot meets the tangent. */
  readonly squareFoot: Vec2
  readonly contact: Vec2
  /** The edge over the middle of the jaws. */
  readonly bladeHeight: Dimension
  readonly setback: Dimension
  readonly distance: Dimension
  readonly heelToMiddle: Dimension
  /** Where the knob for the blade height stands: on its dimension line, never under the pointer at the edge. */
  readonly heightKnob: Vec2
}

/**
 * The blade from above in the jaws, in pixels: the pivot, the rod with its stone, the tangent at the place looked at.
 */
export function planView(
  setup: Setup,
  set: SideSet,
  side: Side,
  edgePoints: readonly EdgePoint[],
  viewport: Viewport,
): PlanView {
  const { blade, hold, rig, stone } = setup
  const frame = clampFrame(hold)
  const px = (point: Vec2) => toPixels(point, viewport)
  const k = viewport.scale
  const [e, f] = px(toClampFrame([0, 0], frame))
  const { contact } = set
  const run = subtract(contact.point, contact.foot)
  const along = unit(run)
  const across = leftOf(along)
  const tangentDirection: Vec2 = [contact.outward[1], -contact.outward[0]]
  const squareFoot = add(contact.foot, scale(contact.outward, contact.distanceMm))
  const rodEnd = add(contact.foot, scale(along, Math.min(rig.rodLengthMm, length(run) + stone.lengthMm / 2 + 8)))
  const half = [stone.lengthMm / 2, stone.widthMm / 2] as const
  const corner = (l: number, w: number) =>
    px(add(contact.point, add(scale(along, l * half[0]), scale(across, w * half[1]))))
  const place = pivotAt(rig, set.pivotHeightMm, side)
  const heel = toClampFrame(nth(edgePoints, 0).point, frame)
  const outOfBlade = Math.max(...edgePoints.map((s) => toClampFrame(s.point, frame)[1]))
  const contactPx = px(contact.point)
  const jaws = rig.jaws && { x: -rig.jaws.widthMm / 2, y: 0, width: rig.jaws.widthMm, height: rig.jaws.depthMm }
  const [jx, jy] = px([jaws?.x ?? 0, 0])
  const frontHalf = jaws ? jaws.width / 2 : Math.max(Math.abs(heel[0]), 40)
  return {
    bladeTransform: `matrix(${k * frame.cos} ${-k * frame.sin} ${-k * frame.sin} ${-k * frame.cos} ${e} ${f})`,
    bladePath: outlinePath(blade),
    handle:
      blade.handleLengthMm > 0
        ? {
            x: -HANDLE_SHOWN_MM,
            y: blade.widthMm * 0.06,
            width: HANDLE_SHOWN_MM - 1,
            height: Math.min(blade.widthMm * 0.88, 24),
          }
        : null,
    jaws: jaws && { x: jx, y: jy, width: jaws.width * k, height: jaws.height * k },
    frontLine: [px([-frontHalf, 0]), px([frontHalf, 0])],
    marks: jawMarks(setup, viewport),
    edge: edgePoints
      .filter((_, i) => i % 4 === 0 || i === edgePoints.length - 1)
      .map((s) => px(toClampFrame(s.point, frame))),
    pivot: px(contact.foot),
    slide:
      place.slideMm > 0
        ? [px([place.pivot.u - place.slideMm, place.pivot.v]), px([place.pivot.u + place.slideMm, place.pivot.v])]
        : null,
    rod: [px(contact.foot), px(rodEnd)],
    stone: [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)],
    tangent: [
      px(add(contact.point, scale(tangentDirection, -30))),
      px(add(contact.point, scale(tangentDirection, 30))),
    ],
    squareFoot: px(squareFoot),
    contact: px(contact.point),
    bladeHeight: dimension(px([contact.point[0], 0]), px(contact.point), 0),
    setback: dimension(px([contact.foot[0], 0]), px(contact.foot), 0),
    distance: dimension(px(contact.foot), px(squareFoot), 0),
    heelToMiddle: dimension(px([0, outOfBlade]), px([heel[0], outOfBlade]), 22),
    heightKnob: [contactPx[0], Math.max((contactPx[1] + px([0, 0])[1]) / 2, contactPx[1] + KNOB_CLEARANCE_PX)],
  }
}

/** The edge point nearest to a point of the clamp frame: where on the edge a finger points. */
export function nearestEdgePoint(point: Vec2, setup: Setup, edgePoints: readonly EdgePoint[]): EdgePoint {
  const frame = clampFrame(setup.hold)
  const away = (s: EdgePoint) => length(subtract(toClampFrame(s.point, frame), point))
  return edgePoints.reduce((best, s) => (away(s) < away(best) ? s : best))
}
