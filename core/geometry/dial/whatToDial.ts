import equal from 'fast-deep-equal'
import { nth } from '../../math/list'
import { refuse, type Refusal } from '../../schema/refusal'
import type { Side } from '../../records/common/side'
import type { EdgePoint } from '../../math/curve/edgePoints'
import { heightOfSetting, heightRange, settingOfHeight, stepSetting, toNearestMark } from '../../records/rig/dial'
import { dialOf } from '../../records/rig/dials/dials'
import type { DialSetting } from '../../records/rig/dials/readings'
import { contactFor, type Setup } from '../setup/setup'
import { clamp } from '../../math/units/figures'
import { pivotHeightFor } from './pivotHeightFor'

const ROUNDING_MM = 1e-6

/** What to dial, in the rig's own language. */
export interface DialAdvice {
  readonly ok: true
  /** The nearest mark or slot that the rig has; where a person is told it, the nearest that can be used. */
  readonly setting: DialSetting
  readonly heightMm: number
  /** What that mark gives at the edge point. */
  readonly givesDeg: number
  /** givesDeg less the wanted angle: the deviation that remains. */
  readonly offDeg: number
  /** Why a setting nearer to the wanted angle cannot be used, where there is one. */
  readonly nearerBarredBy?: Refusal
}

/**
 * What to dial for a wanted edge angle at an edge point, and what remains for want of a finer mark. Refused when no
 * setting of this rig comes to an angle there; beyond the rig's range ('height-out-of-range') `limitMm` is the pivot
 * height needed. Source: docs/geometry.md, "Solving for a wanted angle".
 */
export function whatToDial(setup: Setup, side: Side, wantedDeg: number, edgePoint: EdgePoint): DialAdvice | Refusal {
  const fixed = dialOf(setup.rig.height).fixed(setup.rig.height)
  if (fixed) return nearestOf(fixed.map((setting) => adviceAt(setup, side, setting, wantedDeg, edgePoint)))
  const exact = pivotHeightFor(setup, side, wantedDeg, edgePoint)
  if (!exact.ok) return exact
  const { lowestMm, highestMm } = heightRange(setup.rig)
  // An angle at the very end of the range comes back from its height a rounding beside it.
  const heightMm = clamp(exact.heightMm, [lowestMm, highestMm])
  if (Math.abs(heightMm - exact.heightMm) > ROUNDING_MM)
    return refuse('height-out-of-range', { limitMm: exact.heightMm })
  const setting = toNearestMark(setup.rig, settingOfHeight(setup.rig, heightMm))
  return adviceAt(setup, side, setting, wantedDeg, edgePoint)
}

/**
 * What else could be dialled where the nearest setting cannot be used, the nearest to the wanted angle first: any other
 * slot of a plate, of other dials the marks next to it.
 */
export function otherwiseDialled(
  setup: Setup,
  side: Side,
  { setting }: DialAdvice,
  wantedDeg: number,
  edgePoint: EdgePoint,
): DialAdvice[] {
  const { rig } = setup
  const fixed = dialOf(rig.height).fixed(rig.height)
  const others = fixed
    ? fixed.filter((one) => !equal(one, setting))
    : [1, -1].map((marks) => stepSetting(rig, setting, marks))
  return others
    .map((one) => adviceAt(setup, side, one, wantedDeg, edgePoint))
    .filter((one): one is DialAdvice => one.ok)
    .sort((a, b) => Math.abs(a.offDeg) - Math.abs(b.offDeg))
}

function nearestOf(tried: readonly (DialAdvice | Refusal)[]): DialAdvice | Refusal {
  const possible = tried.filter((one): one is DialAdvice => one.ok)
  if (possible.length === 0) return nth(tried, 0)
  return possible.reduce((best, one) => (Math.abs(one.offDeg) < Math.abs(best.offDeg) ? one : best))
}

function adviceAt(
  setup: Setup,
  side: Side,
  setting: DialSetting,
  wantedDeg: number,
  edgePoint: EdgePoint,
): DialAdvice | Refusal {
  const contact = contactFor(setup, side, setting, edgePoint)
  if (!contact.ok) return contact
  const height = heightOfSetting(setup.rig, setting)
  if (!height.ok) return height
  const givesDeg = contact.edgeAngleDeg
  return { ok: true, setting, heightMm: height.heightMm, givesDeg, offDeg: givesDeg - wantedDeg }
}
