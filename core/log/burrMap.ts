import { ofKind } from './activeEntries'
import type { LogEntry } from './entry'
import type { ZoneKind } from '../records/blade/zones'
import { otherSide, perSide, SIDES, type PerSide } from '../records/common/side'

/** What the burr in a zone was found to be on a side: never looked for, there, turned to the other side, or gone. */
export type BurrState = 'not-looked' | 'felt' | 'turned' | 'gone'
export type BurrMap = PerSide<ReadonlyMap<ZoneKind, BurrState>>

/**
 * Where a burr is, zone by zone on each side, as it was last found. What is said of a side is said of all of it: a zone
 * that is not named has none. A burr that is found on the other side after it was felt on this one has turned. Log: the
 * active entries of the job, oldest first.
 */
export function burrMap(log: readonly LogEntry[], zones: readonly ZoneKind[]): BurrMap {
  const map = perSide(() => new Map<ZoneKind, BurrState>(zones.map((zone) => [zone, 'not-looked'])))
  for (const { burr, burrZones } of ofKind(log, 'sharpness')) {
    if (burr === null) continue
    for (const zone of zones) {
      const isNamed = burrZones.length === 0 || burrZones.includes(zone)
      for (const side of SIDES) {
        const has = (of: typeof side) => (burr === of || burr === 'both') && isNamed
        const before = map[side].get(zone)
        if (has(side)) map[side].set(zone, 'felt')
        else if (before === 'felt') map[side].set(zone, has(otherSide(side)) ? 'turned' : 'gone')
        else if (burr === 'none') map[side].set(zone, 'gone')
      }
    }
  }
  return map
}

/** The zones of a side in which a burr can be felt. */
export const burrFeltIn = (map: BurrMap, side: 'A' | 'B'): ZoneKind[] =>
  [...map[side]].filter(([, state]) => state === 'felt').map(([zone]) => zone)
