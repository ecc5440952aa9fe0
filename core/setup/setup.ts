import { contactAt, type Contact, type Reacher } from '../angle/contact'
import type { Refusal } from '../angle/reasons'
import type { Blade } from '../blade/blade'
import { restingCentrePlane } from '../blade/restingCentrePlane'
import { grippedCentrePlane, pivotOverBlade, type CentrePlane, type Side } from '../clamping/centring'
import type { ClampPosition } from '../clamping/clampPosition'
import type { Station } from '../curve/stations'
import { heightOfSetting } from '../rig/dial'
import type { DialSetting } from '../rig/dials/readings'
import { pivotAt } from '../rig/pivot'
import { restsOnTable } from '../rig/kinds'
import type { Rig } from '../rig/rig'
import type { Stone } from '../stone/stone'

/** The real things a job is done with, and how the blade is held. */
export interface Setup {
  readonly rig: Rig
  readonly blade: Blade
  readonly stone: Stone
  readonly hold: ClampPosition
}

/** Where the blade's reference plane lies over the clamp, or the table. */
export function centrePlaneOf({ rig, blade, hold }: Setup, side: Side): CentrePlane {
  return restsOnTable(rig) ? restingCentrePlane(blade, hold, side) : grippedCentrePlane(hold, side)
}

/** What stands over the blade with the pivot at a height, mm above the clamp's centre plane (or the table). */
export function reacherAt(setup: Setup, side: Side, pivotHeightMm: number): Reacher {
  const { pivot, slideMm } = pivotAt(setup.rig, pivotHeightMm, side)
  return {
    pivot: pivotOverBlade(pivot, centrePlaneOf(setup, side)),
    slideMm,
    faceOffsetMm: setup.stone.faceOffsetMm,
    rodLengthMm: setup.rig.rodLengthMm,
    stroke: setup.rig.stroke,
  }
}

/** The contact at one station for a setting of the rig; refused as heightOfSetting and contactAt refuse. */
export function contactFor(setup: Setup, side: Side, setting: DialSetting, station: Station): Contact | Refusal {
  const height = heightOfSetting(setup.rig, setting)
  return height.ok ? contactAt(station, setup.hold, reacherAt(setup, side, height.heightMm)) : height
}
