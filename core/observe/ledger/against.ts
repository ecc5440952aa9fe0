import { lastOf } from '../../math/list'
import { type ZoneKind, type Zone, zoneMiddleMm } from '../../records/blade/zones'
import type { Contact } from '../../geometry/contact/contact'
import type { Side } from '../../records/common/side'
import { edgePointAt, type EdgePoint } from '../../math/curve/edgePoints'
import { expectedReadingDeg } from '../../geometry/gauge/expectedReading'
import { gaugeUseOf, type Job } from '../../records/job/job'
import type { KnownHold } from '../../records/job/knownHold'
import { totalUncertaintyDeg, uncertaintyBudget } from '../../uncertainty/budget'
import type { MeanReading } from '../../log/meanReading'
import type { Proof, Reading } from '../../log/entry'
import { heightOfSetting } from '../../records/rig/dial'
import type { DialSetting } from '../../records/rig/dials/readings'
import type { StoneInUse } from '../../records/rig/fittedAt'
import { setAlike } from '../../log/setAlike'
import type { SetupSnapshot } from '../../log/setupSnapshot'
import { contactFor, type Setup } from '../../geometry/setup/setup'

/** A job as it is set now. */
export interface JobAsSet {
  readonly setup: Setup
  readonly job: Pick<Job, 'rigId' | 'stoneId' | 'dialled' | 'gaugeZero' | 'gaugeAxes'>
  /** The same as an entry of its log would have it. */
  readonly setNow: SetupSnapshot
  /** The place that the dial is for. */
  readonly dialFor: EdgePoint
  readonly zones: readonly Zone[]
  /** A stone that was worked with before, as it is now. */
  stoneOf(id: string): StoneInUse | undefined
}

/** What the rig was set to where something was found. */
export interface SetThere {
  readonly setup: Setup
  readonly side: Side
  readonly pivotHeightMm: number
  readonly edgePoint: EdgePoint
  /** What this gives by the measures as they are known now. */
  readonly contact: Contact
}

export interface ProvedAgainst {
  readonly side: Side
  readonly amount: MeanReading<Proof>
  /** Along the edge from the heel, mm. */
  readonly placeMm: number
  /** By what it was cut with; null where the rig gives no angle there, or another rig was used. */
  readonly set: SetThere | null
  /** The steel less the set angle, degrees; of another rig by what it said then; null where none is known. */
  readonly differsDeg: number | null
  /** Cut as the job is set now, as far as was said. */
  readonly asSetNow: boolean
  /** Nothing was taken off before it: it is the bevel that was there, and proves no setting. */
  readonly found: boolean
  /** Whether the bevel was cut through to the apex; null where it was not said. */
  readonly toApex: boolean | null
}

/** Where along the edge a proof holds: its place, or its zone's middle; null where it says neither. */
export function placeOfProof(
  { placeMm, zone }: { readonly placeMm?: number | null; readonly zone?: ZoneKind | null },
  zones: readonly Zone[],
): number | null {
  const its = zones.find(({ kind }) => kind === zone)
  return placeMm ?? (its ? zoneMiddleMm(its) : null)
}
/** The same; where the dial is for, where it says neither. */
const placeOf = (said: Parameters<typeof placeOfProof>[0], { zones, dialFor }: Pick<JobAsSet, 'zones' | 'dialFor'>) =>
  placeOfProof(said, zones) ?? dialFor.fromHeelMm

/**
 * What was proved at a place against what the rig was set to when it was cut, with the hold and the stone of then; what
 * was not said is taken to be as it is now. Source: docs/geometry.md, "Read and proved against set".
 */
export function provedAgainst(now: JobAsSet, side: Side, amount: MeanReading<Proof>): ProvedAgainst {
  const last = lastOf(amount.of)
  const { setup, job } = now
  const placeMm = placeOf(last, now)
  const toApex = last.toApex
  const then = last.setup
  const saidDeg = then?.setDeg[side] ?? null
  if (then?.rigId && then.rigId !== job.rigId) {
    const differsDeg = saidDeg === null ? null : amount.deg - saidDeg
    return { side, amount, placeMm, set: null, differsDeg, asSetNow: false, found: false, toApex }
  }
  const stoneId = then?.stoneId ?? job.stoneId
  const stone = stoneId === job.stoneId ? setup.stone : now.stoneOf(stoneId)
  const setting = then?.setting[side] ?? job.dialled[side]
  const set = stone ? setThere({ ...setup, stone, hold: then?.hold ?? setup.hold }, side, setting, placeMm) : null
  const setDeg = set?.contact.edgeAngleDeg ?? saidDeg
  const differsDeg = setDeg === null ? null : amount.deg - setDeg
  const asSetNow = then !== null && setAlike(then, now.setNow, side)
  return { side, amount, placeMm, set, differsDeg, asSetNow, found: then === null, toApex }
}

/** What the rig gives at a place of the edge with such a setting; null where it gives no angle there. */
export function setThere(setup: Setup, side: Side, setting: DialSetting, placeMm: number): SetThere | null {
  const edgePoint = edgePointAt(setup.blade.edge, placeMm)
  const [contact, at] = [contactFor(setup, side, setting, edgePoint), heightOfSetting(setup.rig, setting)]
  return contact.ok && at.ok ? { setup, side, pivotHeightMm: at.heightMm, edgePoint, contact } : null
}

/** How sure it is what is set there, half-width in degrees. Source: docs/geometry.md, "Uncertainty". */
export const setUncertaintyDeg = ({ setup, side, pivotHeightMm, edgePoint }: SetThere, known: KnownHold): number =>
  totalUncertaintyDeg(uncertaintyBudget(setup, known, side, pivotHeightMm, edgePoint))

export interface ReadAgainst {
  readonly side: Side
  readonly amount: MeanReading
  readonly placeMm: number
  /** What it had to read there as the rig was set then; null where there was no angle. */
  readonly mustDeg: number | null
  readonly differsDeg: number | null
  /** The rig as it is set now; null where it, or the gauge's zero, is another since. */
  readonly set: SetThere | null
}

/** A rig that must read alike to this is not set otherwise since, degrees. */
const SAME_SET_DEG = 0.05

/** What a gauge read at a place against what it had to read there. Source: docs/geometry.md, as above. */
export function readAgainst(now: JobAsSet, side: Side, amount: MeanReading<Reading>): ReadAgainst {
  const last = lastOf(amount.of)
  const { setup, job } = now
  const placeMm = placeOf(last, now)
  const set = setThere(setup, side, job.dialled[side], placeMm)
  const mustNow = set && expectedReadingDeg(setup, side, set.contact, gaugeUseOf(job))
  const mustDeg = last.expectedDeg ?? mustNow
  const asNow =
    mustDeg !== null && mustNow !== null && last.zero === job.gaugeZero && Math.abs(mustDeg - mustNow) <= SAME_SET_DEG
  const differsDeg = mustDeg === null ? null : amount.deg - mustDeg
  return { side, amount, placeMm, mustDeg, differsDeg, set: asNow ? set : null }
}
