import { ZONE_KINDS, type ZoneKind } from '#core/records/blade/zones'

/** Among the zones of a choice: none alone. */
export const WHOLE_EDGE = 'whole'

/** The zone that was chosen; null: the whole edge. */
export const zoneChosen = (place: string): ZoneKind | null => ZONE_KINDS.find((kind) => kind === place) ?? null
