import { z } from 'zod'
import { lastOf, nth } from '../../math/list'
import { mm } from '../../schema/measure'
import { cornersOf } from '../../math/curve/corners'
import type { Curve } from '../../math/curve/curve'
import { evenEdgePoints, type EdgePoint } from '../../math/curve/edgePoints'
import { turningDeg } from '../../math/curve/turning'

export const ZONE_KINDS = ['heel', 'middle', 'belly', 'tip', 'hollow', 'facet'] as const
export type ZoneKind = (typeof ZONE_KINDS)[number]

/** A stretch of the edge that behaves alike, arc length from the heel. */
export const zone = z.object({
  kind: z.enum(ZONE_KINDS),
  fromMm: mm({ least: 0, most: 3000 }),
  toMm: mm({ least: 0, most: 3000 }),
})
export type Zone = z.infer<typeof zone>

/**
 * A belly bends more than a circle of this radius, or of so many times the edge's length where that is more: what bends
 * less is straight to the hand, and a long blade bends over a longer stretch.
 */
const BELLY_RADIUS = { leastMm: 140, lengths: 2 } as const
/** The tip is the last of the edge: a share of it, but no more than this. */
const TIP = { share: 0.12, mostMm: 22 }
const HEEL_SHARE = 0.25
/** Shorter stretches join their neighbour. */
const LEAST_MM = 4

/**
 * The zones of an edge from heel to tip, found from its curvature: between corners each straight stretch is a facet,
 * unless there are no corners, when the straight part is heel and middle; a stretch bent outward is a belly, one bent
 * inward a hollow; the last of the edge is the tip. Edge points: even in arc length. Source: docs/geometry.md, "Zones".
 */
export function zonesOf(edge: Curve, edgePoints: readonly EdgePoint[]): Zone[] {
  const total = lastOf(edgePoints).fromHeelMm
  const corners = cornersOf(edge).map((corner) => corner.fromHeelMm)
  const bends = turningDeg(edgePoints)
  const step = total / (edgePoints.length - 1)
  const bellyRadiusMm = Math.max(BELLY_RADIUS.leastMm, BELLY_RADIUS.lengths * total)
  const bendOf = (i: number): 'straight' | 'belly' | 'hollow' => {
    const from = nth(edgePoints, i).fromHeelMm
    if (corners.some((corner) => corner > from && corner <= from + step + 1e-9)) return 'straight'
    const radius = step / Math.abs((nth(bends, i) * Math.PI) / 180)
    if (radius > (nth(bends, i) < 0 ? bellyRadiusMm : BELLY_RADIUS.leastMm)) return 'straight'
    return nth(bends, i) < 0 ? 'belly' : 'hollow'
  }
  const tipFrom = Math.max(total - Math.min(TIP.mostMm, TIP.share * total), corners.at(-1) ?? 0)
  const cuts = [0, ...corners, total]
  const zones = cuts.slice(1).flatMap((to, i) => stretches(nth(cuts, i), to))
  return corners.length > 0 ? zones : withTip(withHeel(zones))

  function stretches(from: number, to: number): Zone[] {
    const found: Zone[] = []
    for (let i = 0; i < bends.length; i++) {
      const [a, b] = [nth(edgePoints, i).fromHeelMm, nth(edgePoints, i + 1).fromHeelMm]
      if (b <= from + 1e-9 || a >= to - 1e-9) continue
      const bend = bendOf(i)
      const kind: ZoneKind = bend === 'straight' ? (corners.length > 0 ? 'facet' : 'middle') : bend
      const last = found.at(-1)
      if (last?.kind === kind) found[found.length - 1] = { ...last, toMm: Math.min(b, to) }
      else found.push({ kind, fromMm: Math.max(a, from), toMm: Math.min(b, to) })
    }
    return joined(found)
  }

  /** The straight part's beginning is the heel. */
  function withHeel(all: Zone[]): Zone[] {
    const [first, ...rest] = all
    if (!first || first.kind !== 'middle' || first.toMm - first.fromMm < total * HEEL_SHARE)
      return first ? [{ ...first, kind: first.kind === 'middle' ? 'heel' : first.kind }, ...rest] : all
    const heelTo = total * HEEL_SHARE
    return [{ kind: 'heel', fromMm: first.fromMm, toMm: heelTo }, { ...first, fromMm: heelTo }, ...rest]
  }

  function withTip(all: Zone[]): Zone[] {
    const before = all
      .filter((zone) => zone.fromMm < tipFrom - 1e-9)
      .map((zone) => ({ ...zone, toMm: Math.min(zone.toMm, tipFrom) }))
    return [...before, { kind: 'tip', fromMm: tipFrom, toMm: total }]
  }
}

/** Stations along an edge that its zones are found from. */
const EDGE_POINTS = 400
/** The zones of a blade: those that were set by hand, else as they are found. Edge points: as zonesOf has them. */
export const zonesOfBlade = (
  { zones, edge }: { readonly zones: readonly Zone[] | null; readonly edge: Curve },
  edgePoints: readonly EdgePoint[] = evenEdgePoints(edge, EDGE_POINTS),
): readonly Zone[] => zones ?? zonesOf(edge, edgePoints)

function joined(zones: readonly Zone[]): Zone[] {
  return zones.reduce<Zone[]>((kept, zone) => {
    const last = kept.at(-1)
    if (last && (zone.toMm - zone.fromMm < LEAST_MM || last.kind === zone.kind))
      kept[kept.length - 1] = { ...last, toMm: zone.toMm }
    else if (last && last.toMm - last.fromMm < LEAST_MM) kept[kept.length - 1] = { ...zone, fromMm: last.fromMm }
    else kept.push(zone)
    return kept
  }, [])
}

/** The middle of a zone, arc length from the heel, mm. */
export const zoneMiddleMm = ({ fromMm, toMm }: Pick<Zone, 'fromMm' | 'toMm'>): number => (fromMm + toMm) / 2

/** The number of the zone that a place lies in, arc length from the heel; beyond the last one, the last. */
export const zoneAt = (zones: readonly Zone[], fromHeelMm: number): number => {
  const at = zones.findIndex((zone) => fromHeelMm <= zone.toMm + 1e-6)
  return at < 0 ? zones.length - 1 : at
}
