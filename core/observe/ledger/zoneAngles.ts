import { nth, lastOf } from '../../math/list'
import { zoneAt, type Zone, zoneMiddleMm } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import type { KnownHold } from '../../records/job/knownHold'
import { provedAtPlaces, readAtPlaces, together, type MeanReading } from '../../log/meanReading'
import type { LogEntry, Proof } from '../../log/entry'
import { ofKind } from '../../log/activeEntries'
import { provedAgainst, readAgainst, setThere, setUncertaintyDeg, type JobAsSet, type ReadAgainst } from './against'

/** The angles of one zone of a side; wanted is the same all along. */
export interface ZoneAngles {
  readonly zone: Zone
  /** At its middle, as the rig is set now; null where there is no angle. */
  readonly set: { readonly deg: number; readonly uncertaintyDeg: number } | null
  /** The newest reading of a gauge in it. */
  readonly read: ReadAgainst | null
  /** All that was proved in it and goes with the newest proof of the side. */
  readonly proved: MeanReading | null
  /** The steel less what was set when it was cut, at its own places, degrees; null where one is not known. */
  readonly differsDeg: number | null
}

/**
 * Set, read and proved of a side, zone by zone from the heel. What was proved of no place of its own holds for all
 * zones. Log: what is in force of the job's, oldest first. Source: docs/geometry.md, "Read and proved against set".
 */
export function zoneAngles(now: JobAsSet, known: KnownHold, log: readonly LogEntry[], side: Side): ZoneAngles[] {
  const proved = provedAtPlaces(ofKind(log, 'proof'), side).map((amount) => provedAgainst(now, side, amount))
  const read = readAtPlaces(ofKind(log, 'reading'), side).map((amount) => readAgainst(now, side, amount))
  return now.zones.map((zone, i): ZoneAngles => {
    const here = proved.filter(({ amount, placeMm }) => holdsFor(lastOf(amount.of), placeMm, now.zones, i))
    const all = together(here.map(({ amount }) => amount))
    const weighed = here.flatMap(({ amount, differsDeg }) =>
      differsDeg === null ? [] : [{ differsDeg, weight: 1 / amount.uncertaintyDeg ** 2 }],
    )
    const weight = weighed.reduce((sum, one) => sum + one.weight, 0)
    return {
      zone,
      set: setAt(now, known, side, zoneMiddleMm(zone)),
      read: read.filter(({ placeMm }) => zoneAt(now.zones, placeMm) === i).at(-1) ?? null,
      proved: all,
      differsDeg: weight > 0 ? weighed.reduce((sum, one) => sum + one.weight * one.differsDeg, 0) / weight : null,
    }
  })
}

/** Whether a proof holds for a zone: in it, of its kind, or of the whole edge. */
function holdsFor({ placeMm, zone }: Proof, atMm: number, zones: readonly Zone[], index: number): boolean {
  if (placeMm === null) return zone === null || zone === nth(zones, index).kind
  return zoneAt(zones, atMm) === index
}

function setAt({ setup, job }: JobAsSet, known: KnownHold, side: Side, placeMm: number): ZoneAngles['set'] {
  const set = setThere(setup, side, job.dialled[side], placeMm)
  return set && { deg: set.contact.edgeAngleDeg, uncertaintyDeg: setUncertaintyDeg(set, known) }
}
