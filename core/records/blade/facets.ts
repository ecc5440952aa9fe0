import { cornersOf } from '../../math/curve/corners'
import type { Curve } from '../../math/curve/curve'
import { edgePointAt, type EdgePoint } from '../../math/curve/edgePoints'
import { type Zone, zoneMiddleMm } from './zones'

/** A stretch between corners, straight as a rule: its own tangent, so its own setting. */
export interface Facet {
  readonly zone: Zone
  /** Its middle, where it is set. */
  readonly middle: EdgePoint
  /** Its place in the order of work, from 1. */
  readonly order: number
}

/**
 * The facets of an edge in the order to work them so that the corners stay crisp: the longest first, for it takes the
 * most and moves the corner; the shorter ones meet it last. Empty where the edge has no corners. Source:
 * docs/geometry.md, "Zones".
 */
export function facetsOf(edge: Curve, zones: readonly Zone[]): Facet[] {
  if (cornersOf(edge).length === 0) return []
  const longestFirst = [...zones].sort((a, b) => b.toMm - b.fromMm - (a.toMm - a.fromMm))
  return zones.map((zone) => ({
    zone,
    middle: edgePointAt(edge, zoneMiddleMm(zone)),
    order: longestFirst.indexOf(zone) + 1,
  }))
}
