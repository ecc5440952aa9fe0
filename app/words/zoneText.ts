import { nth } from '#core/math/list'
import type { Zone, ZoneKind } from '#core/records/blade/zones'

export const ZONE_WORD: Record<ZoneKind, string> = {
  heel: 'heel',
  middle: 'middle',
  belly: 'belly',
  tip: 'tip',
  hollow: 'hollow',
  facet: 'facet',
}

/** A zone's name among the others: "facet 2" where there are several of its kind. */
export function zoneName(zones: readonly Zone[], index: number): string {
  const { kind } = nth(zones, index)
  const alike = zones.filter((zone) => zone.kind === kind)
  return alike.length > 1 ? `${ZONE_WORD[kind]} ${alike.indexOf(nth(zones, index)) + 1}` : ZONE_WORD[kind]
}
