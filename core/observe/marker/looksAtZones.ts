import type { Zone } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import type { InkLookEntry, InkZone } from '../../log/entry'
import type { LookedAt } from './weigh'

const within = ({ fromMm, toMm }: InkZone, zone: Zone): boolean => {
  const middle = (fromMm + toMm) / 2
  return middle >= zone.fromMm && middle <= zone.toMm
}

/**
 * The looks of a log by the zones of the edge, for one side: each face with the width and the primary half-angle that
 * it was last looked at with. Zones nobody looked at have no looks.
 */
export function looksAtZones(entries: readonly InkLookEntry[], side: Side, zones: readonly Zone[]): LookedAt[] {
  const ofSide = entries.filter((entry) => entry.side === side)
  return zones.map((zone) => {
    const looks = ofSide.flatMap((entry) => entry.zones.filter((one) => within(one, zone)))
    const { widthMm = 1, primaryDeg = 0 } = looks.at(-1) ?? {}
    return { widthMm, primaryDeg, looks }
  })
}
