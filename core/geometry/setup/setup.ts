import { bothOf } from '../../math/list'
import { contactAt, type Contact, type RodPose } from '../contact/contact'
import type { Refusal } from '../../schema/refusal'
import { seatUnder } from '../contact/underStone'
import type { Blade } from '../../records/blade/blade'
import { restingCentrePlane } from '../clamping/restingCentrePlane'
import { shareAlong } from '../../records/blade/shareAlong'
import { asThickAs, tapers } from '../../records/blade/taper'
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
export const isWorked = ({ worked }: Pick<Setup, 'worked'>, { fromHeelMm }: EdgePosition): boolean =>
  !worked || (fromHeelMm >= worked.fromMm && fromHeelMm <= worked.toMm)

/** A place of the edge: its arc length from the heel. */
type EdgePosition = Pick<EdgePoint, 'fromHeelMm'>

/** Whether the blade lies differently for each place of its edge: on a table, where its thickness changes along it. */
export const liesByPlace = ({ rig, blade }: Pick<Setup, 'rig' | 'blade'>): boolean => restsOnTable(rig) && tapers(blade)

/**
 * Where the blade's reference plane lies over the clamp, or over the table for a place of the edge: as thick and as
 * steep as it is there. Source: docs/geometry.md, "Rigs", table with post.
 */
export function centrePlaneOf(setup: Setup, side: Side, place: EdgePosition): CentrePlane {
  const { rig, blade, hold } = setup
  if (!restsOnTable(rig)) return grippedCentrePlane(inTheseJaws(rig, hold), side)
  const there = liesByPlace(setup) ? asThickAs(blade, shareAlong(blade, place)) : blade
  return restingCentrePlane(there, hold, side)
}

/** A hold with what the jaws do to every blade. */
const inTheseJaws = ({ centring }: Rig, hold: GrippedHold): GrippedHold => ({
  ...hold,
  centreOffsetMm: hold.centreOffsetMm + centring.offsetMm,
  tiltDeg: hold.tiltDeg + centring.tiltDeg,
})

/**
 * What stands over the blade with the pivot at a height, mm above the clamp's centre plane (or the table), as each
 * place of the edge sees it.
 */
export function rodPosesAt(setup: Setup, side: Side, pivotHeightMm: number): (place: EdgePosition) => RodPose {
  if (liesByPlace(setup)) return (place) => rodPoseAt(setup, side, pivotHeightMm, place)
  const everywhere = rodPoseAt(setup, side, pivotHeightMm, { fromHeelMm: 0 })
  return () => everywhere
}

/** The same for one place of the edge. */
export function rodPoseAt(setup: Setup, side: Side, pivotHeightMm: number, place: EdgePosition): RodPose {
  const { pivot, slideMm } = pivotAt(setup.rig, pivotHeightMm, side)
  const plane = centrePlaneOf(setup, side, place)
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

/**
 * The pivot as one place of the edge sees it, for any of its heights (mm above the clamp's centre plane, or the table):
 * in the blade's own plane, mm.
 */
export function pivotOverBladeAt(setup: Setup, side: Side, place: EdgePosition): (pivotHeightMm: number) => ClampPoint {
  const { pivot } = pivotAt(setup.rig, 0, side)
  const over = overPlane(centrePlaneOf(setup, side, place))
  return (pivotHeightMm) => over({ ...pivot, w: pivotHeightMm })
}

/** Where a millimetre along the jaws leads over a blade that lies aslant. */
function alongSlot(plane: CentrePlane): ClampPoint {
  const [from, to] = bothOf([0, 1], (u) => pivotOverBlade({ u, v: 0, w: 0 }, plane))
  return { u: to.u - from.u, v: to.v - from.v, w: to.w - from.w }
}

/** The contact at one edge point for a setting of the rig; refused as heightOfSetting and contactAt refuse. */
export function contactFor(setup: Setup, side: Side, setting: DialSetting, edgePoint: EdgePoint): Contact | Refusal {
  const height = heightOfSetting(setup.rig, setting)
  return height.ok ? contactAt(edgePoint, setup.hold, rodPoseAt(setup, side, height.heightMm, edgePoint)) : height
}
