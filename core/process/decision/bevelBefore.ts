import { ofKind } from '../../log/activeEntries'
import { bevelOfProof } from '../../log/bevelOfProof'
import type { LogEntry } from '../../log/entry'
import { recordedBevel } from '../../log/foundBevel'
import { groundAt } from '../../log/groundAt'
import { meanProof } from '../../log/meanReading'
import { lastOf } from '../../math/list'
import type { FoundFace } from '../../observe/marker/findBevel'
import { zoneMiddleMm, type Zone } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import { flatFace, type SideBefore } from './toGrind'

/** Where what is known of the bevel comes from; what is known best comes first. */
const KNOWN_FROM = ['tests', 'proof', 'found', 'earlier'] as const
export type BevelFrom = (typeof KNOWN_FROM)[number] | 'assumed'

/**
 * The bevel that is there before the stones: as marker tests found it (`tests`, zone by zone), as it was proved since
 * its side was last ground, as it was recorded before that, or as it was proved at the end of an earlier job; from one
 * of these for all sides, else it is assumed to have the wanted angle already. Log: the active entries at the blade of
 * this job, and of others before it (`earlier`), each oldest first.
 */
export function bevelBefore(
  log: readonly LogEntry[],
  earlier: readonly LogEntry[],
  zones: readonly Zone[],
  sides: readonly { readonly side: Side; readonly wantedDeg: number; readonly tests: readonly (FoundFace | null)[] }[],
): { readonly from: BevelFrom; readonly sides: readonly SideBefore[] } {
  const each = sides.map(({ side, wantedDeg, tests }) => ({
    ...{ side, wantedDeg },
    known: {
      tests: allOf(tests),
      proof: provedSinceGround(log, side),
      found: allOf(recordedFaces(log, side, zones)),
      earlier: provedSinceGround(earlier, side),
    },
  }))
  const from = KNOWN_FROM.find((one) => each.every(({ known }) => known[one] !== null)) ?? 'assumed'
  return {
    from,
    sides: each.map(({ side, wantedDeg, known }) => ({
      ...{ side, wantedDeg },
      there: (from === 'assumed' ? null : known[from]) ?? { deg: wantedDeg, uncertaintyDeg: 0 },
    })),
  }
}

function allOf(faces: readonly (FoundFace | null)[]): FoundFace[] | null {
  const known = faces.filter((face) => face !== null)
  return known.length === faces.length && known.length > 0 ? known : null
}

function provedSinceGround(log: readonly LogEntry[], side: Side): { deg: number; uncertaintyDeg: number } | null {
  const since = ofKind(log, 'proof').filter(({ at }) => at > groundAt(log, side))
  const proved = meanProof(since, side)
  if (!proved) return null
  const { deg, uncertaintyDeg } = proved
  return bevelOfProof(log, { ...lastOf(proved.of), deg, uncertaintyDeg })
}

function recordedFaces(log: readonly LogEntry[], side: Side, zones: readonly Zone[]): (FoundFace | null)[] {
  const recorded = recordedBevel(log, side)?.entry.zones ?? []
  return zones.map((zone) => {
    const middleMm = zoneMiddleMm(zone)
    const there = recorded.find(({ fromMm, toMm }) => middleMm >= fromMm && middleMm <= toMm)
    return there ? flatFace(there.deg, there.uncertaintyDeg) : null
  })
}
