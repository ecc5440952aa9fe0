import { bothOf } from '../../math/list'
import { contactAt, type Contact, type RodPose } from '../contact/contact'
import type { Refusal } from '../../schema/refusal'
import { seatUnder } from '../contact/underStone'
import type { Blade } from '../../records/blade/blade'
import { restingCentrePlane } from '../clamping/restingCentrePlane'
import type { Side } from '../../records/common/side'
import {
  grippedCentrePlane,
  overPlane,
  pivotOverBlade,
  type CentrePlane,
  type ClampPoint,
  type GrippedHold,
} from '../clamping/centring'
import type { ClampPosition } from '../../records/job/clampPosition'
import type { EdgePoint } from '../../math/curve/edgePoints'
import { heightOfSetting } from '../../records/rig/dial'
import type { DialSetting } from '../../records/rig/dials/readings'
import { pivotAt } from '../clamping/pivot'
import { restsOnTable } from '../../records/rig/kinds'
import type { StoneInUse } from '../../records/rig/fittedAt'
import type { Rig } from '../../records/rig/rig'

/** The real things a job is done with, and how the blade is held. */
export interface Setup {
  readonly rig: Rig
  readonly blade: Blade
  readonly stone: StoneInUse
  readonly hold: ClampPosition
  /** The stretch of the edge that is worked in this hold, arc length from the heel, mm; absent: all of it. */
  readonly worked?: Stretch
}
export interface Stretch {
  readonly fromMm: number
  readonly toMm: number
}

/** Whether a place of the edge is worked in this hold. */
export const isWorked = ({ worked }: Pick<Setup, 'worked'>, { fromHeelMm }: Pick<EdgePoint, 'fromHeelMm'>): boolean =>
  !worked || (fromHeelMm >= worked.fromMm && fromHeelMm <= worked.toMm)

/** Where the blade's reference plane lies over the clamp, or over the table. Source: docs/geometry.md, "Rigs". */
export const centrePlaneOf = ({ rig, blade, hold }: Setup, side: Side): CentrePlane =>
  restsOnTable(rig) ? restingCentrePlane(blade, hold, side) : grippedCentrePlane(inTheseJaws(rig, hold), side)

/** A hold with what the jaws do to every blade. */
const inTheseJaws = ({ centring }: Rig, hold: GrippedHold): GrippedHold => ({
  ...hold,
  centreOffsetMm: hold.centreOffsetMm + centring.offsetMm,
  tiltDeg: hold.tiltDeg + centring.tiltDeg,
})

/** What stands over the blade with the pivot at a height, mm above the clamp's centre plane (or the table). */
export function rodPoseAt(setup: Setup, side: Side, pivotHeightMm: number): RodPose {
  const { pivot, slideMm } = pivotAt(setup.rig, pivotHeightMm, side)
  const plane = centrePlaneOf(setup, side)
  return {
    pivot: pivotOverBlade(pivot, plane),
    slideMm,
    slide: slideMm > 0 ? alongSlot(plane) : undefined,
    faceOffsetMm: setup.stone.faceOffsetMm,
    rodLengthMm: setup.rig.rodLengthMm,
    stoneLengthMm: setup.stone.lengthMm,
    stroke: setup.rig.stroke,
    seat: seatUnder(setup.blade.edge, setup.stone.widthMm),
  }
}

/** The pivot in the blade's own plane, mm, for any of its heights over the clamp's centre plane (or the table), mm. */
export function pivotOverBladeAt(setup: Setup, side: Side): (pivotHeightMm: number) => ClampPoint {
  const over = overPlane(centrePlaneOf(setup, side))
  return (pivotHeightMm) => over(pivotAt(setup.rig, pivotHeightMm, side).pivot)
}

/** Where a millimetre along the jaws leads over a blade that lies aslant. */
function alongSlot(plane: CentrePlane): ClampPoint {
  const [from, to] = bothOf([0, 1], (u) => pivotOverBlade({ u, v: 0, w: 0 }, plane))
  return { u: to.u - from.u, v: to.v - from.v, w: to.w - from.w }
}

/** The contact at one edge point for a setting of the rig; refused as heightOfSetting and contactAt refuse. */
export function contactFor(setup: Setup, side: Side, setting: DialSetting, edgePoint: EdgePoint): Contact | Refusal {
  const height = heightOfSetting(setup.rig, setting)
  return height.ok ? contactAt(edgePoint, setup.hold, rodPoseAt(setup, side, height.heightMm)) : height
}
