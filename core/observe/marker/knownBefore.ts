import { Z95 } from '../../math/statistics/normal'
import { bevelOfProof } from '../../log/bevelOfProof'
import type { LogEntry } from '../../log/entry'
import { groundAt } from '../../log/groundAt'
import { zoneAt, zoneMiddleMm, type Zone } from '../../records/blade/zones'
import { SIDES, type Side } from '../../records/common/side'
import { placeOfProof } from '../ledger/against'
import type { KnownFace } from './expected'

/** What use and a hand without a rig may have done to a bevel since, degrees: a standard deviation. */
const SINCE_DEG = 0.6

/**
 * What earlier jobs say of a blade's faces: of each what was proved or recorded as found last, after steel was last
 * taken off that side. Log: the active entries of those jobs at the blade, and the strokes of this one, oldest first.
 * `setUncertaintyDeg`: the half-width of what is set now. Source: docs/ink.md, "The prior of a face".
 */
export function knownBefore(log: readonly LogEntry[], zones: readonly Zone[], setUncertaintyDeg: number): KnownFace[] {
  return SIDES.flatMap((side) => knownOfSide(log, side, zones, setUncertaintyDeg))
}

function knownOfSide(
  log: readonly LogEntry[],
  side: Side,
  zones: readonly Zone[],
  setUncertaintyDeg: number,
): KnownFace[] {
  const ground = groundAt(log, side)
  const known = new Map<number | null, KnownFace>()
  const learn = (zone: number | null, deg: number, uncertaintyDeg: number) => {
    const sigmaDeg = Math.hypot(uncertaintyDeg / Z95, setUncertaintyDeg / Z95, SINCE_DEG)
    known.set(zone, { side, zone, deg, sigmaDeg })
  }
  for (const entry of log) {
    if (entry.at < ground || !('side' in entry) || entry.side !== side) continue
    if (entry.kind === 'bevel-found')
      for (const one of entry.zones) learn(zoneAt(zones, zoneMiddleMm(one)), one.deg, one.uncertaintyDeg)
    if (entry.kind === 'proof') {
      const placeMm = placeOfProof(entry, zones)
      const bevel = bevelOfProof(log, entry)
      if (bevel) learn(placeMm === null ? null : zoneAt(zones, placeMm), bevel.deg, bevel.uncertaintyDeg)
    }
  }
  return [...known.values()]
}
