import { nth } from '#core/math/list'
import type { Blade } from '#core/records/blade/blade'
import { zoneAt, zonesOfBlade, type Zone, type ZoneKind } from '#core/records/blade/zones'

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

/** The name of the zone at a place of a blade's edge, mm from the heel. */
export function zoneNameAt(blade: Blade, placeMm: number): string {
  const zones = zonesOfBlade(blade)
  return zoneName(zones, zoneAt(zones, placeMm))
}

/** A zone's name in a sentence: "the belly", "facet 2". */
export const theZone = (name: string): string => (/\d$/.test(name) ? name : `the ${name}`)
