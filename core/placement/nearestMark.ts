import { nth } from '../math/list'
import { contactsAlong } from '../geometry/contact/contact'
import type { Side } from '../records/common/side'
import { clampFrame, toClampFrame } from '../geometry/clamping/clampFrame'
import type { ClampPosition } from '../records/job/clampPosition'
import type { EdgePoint } from '../math/curve/edgePoints'
import { heightOfSetting, settingOfHeight, stepSetting, toNearestMark } from '../records/rig/dial'
import type { DialSetting } from '../records/rig/dials/readings'
import { rodPoseAt, type Setup } from '../geometry/setup/setup'
import { holdLimits, type HoldLimits } from './holdLimits'
import type { Placement } from './holdSpace'

/** A way of holding a blade as it can really be dialled. */
export interface AtMark {
  readonly setting: DialSetting
  /** The pivot height that it gives. */
  readonly heightMm: number
  /** The greatest deviation with it, degrees with their sign, and its place along the edge. */
  readonly worstDeg: number
  readonly worstAtMm: number
  /**
   * The place of the edge that gets the wanted angle, arc length from the heel: of several the one nearest to the jaws'
   * middle; where none does, the one that comes nearest to it.
   */
  readonly evenAtMm: number
}

/**
 * The mark of the rig nearest to a placement's pivot height that the limits allow, and what it gives along
 * `edgePoints`; null where the rig has no such mark.
 */
export function atNearestMark(
  setup: Setup,
  side: Side,
  { hold, pivotHeightMm }: Pick<Placement, 'hold' | 'pivotHeightMm'>,
  edgePoints: readonly EdgePoint[],
  wantedDeg: number,
  limits: HoldLimits = holdLimits(setup, side, edgePoints),
): AtMark | null {
  const nearest = toNearestMark(setup.rig, settingOfHeight(setup.rig, pivotHeightMm))
  // Beside a limit the nearest mark can lie beyond it: then it is the one on the other side.
  const around = [0, 1, -1].map((marks) => stepSetting(setup.rig, nearest, marks))
  const allowed = around.find((one) => {
    const at = heightOfSetting(setup.rig, one)
    return at.ok && limits(hold, at.heightMm) === null
  })
  return atSetting(setup, side, hold, allowed ?? nearest, edgePoints, wantedDeg)
}

/** The same with a setting that is given; null where the rig has no such mark. */
export function atSetting(
  setup: Setup,
  side: Side,
  hold: ClampPosition,
  setting: DialSetting,
  edgePoints: readonly EdgePoint[],
  wantedDeg: number,
): AtMark | null {
  const height = heightOfSetting(setup.rig, setting)
  if (!height.ok) return null
  const contacts = contactsAlong(edgePoints, hold, rodPoseAt({ ...setup, hold }, side, height.heightMm))
  const off = contacts.map((contact) => (contact.ok ? contact.edgeAngleDeg - wantedDeg : Infinity))
  const worst = off.reduce((most, deg, i) => (Math.abs(deg) > Math.abs(nth(off, most)) ? i : most), 0)
  return {
    setting,
    heightMm: height.heightMm,
    worstDeg: nth(off, worst),
    worstAtMm: nth(edgePoints, worst).fromHeelMm,
    evenAtMm: evenPlace(off, edgePoints, hold),
  }
}

function evenPlace(off: readonly number[], edgePoints: readonly EdgePoint[], hold: ClampPosition): number {
  const frame = clampFrame(hold)
  const fromMiddle = (i: number) => Math.abs(toClampFrame(nth(edgePoints, i).point, frame)[0])
  let found: { atMm: number; fromMiddleMm: number } | null = null
  let nearest = 0
  for (let i = 0; i < off.length; i++) {
    if (Math.abs(nth(off, i)) < Math.abs(nth(off, nearest))) nearest = i
    const [before, here] = [off[i - 1] ?? nth(off, i), nth(off, i)]
    if (before <= 0 === here <= 0 || !Number.isFinite(before - here)) continue
    const fromMiddleMm = fromMiddle(i)
    if (found && found.fromMiddleMm <= fromMiddleMm) continue
    const [from, to] = [nth(edgePoints, i - 1).fromHeelMm, nth(edgePoints, i).fromHeelMm]
    found = { atMm: from + (before / (before - here)) * (to - from), fromMiddleMm }
  }
  return found?.atMm ?? nth(edgePoints, nearest).fromHeelMm
}
