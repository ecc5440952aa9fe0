import type { EdgePoint } from '../../math/curve/edgePoints'
import type { FoundFace } from '../../observe/marker/findBevel'
import type { Zone } from '../../records/blade/zones'
import type { Side } from '../../records/common/side'
import type { Refusal } from '../../schema/refusal'
import type { Setup } from '../../geometry/setup/setup'
import type { SideToGrind } from '../../steel/stones/orders'
import { plansFor, type PlaceFromHeel } from './plans'

/** What is known of the bevel of a side: zone by zone, or one angle all along, ± its uncertainty, degrees. */
export interface SideBefore {
  readonly side: Side
  readonly wantedDeg: number
  readonly there: readonly FoundFace[] | { readonly deg: number; readonly uncertaintyDeg: number }
}

/** A side to grind, with the steel as the bevel may be flatter or steeper. */
export interface GrindAsked extends SideToGrind {
  readonly rangeMm3: readonly [least: number, most: number]
  /** What thinning takes first, mm³; 0 where it is thin enough. */
  readonly thinningMm3: number
  /** Sharpenings of this kind that are left where the edge has the fewest, and that place. */
  readonly left: number
  readonly firstDue: PlaceFromHeel
}

/**
 * What it takes to give each side its wanted angle as the rig gives it, stone apart: the steel and the face. Refused
 * where a side cannot be ground so. Source: docs/ink.md, "Follow, cut, or step by step".
 */
export function toGrind(ask: {
  readonly setup: Setup
  readonly edgePoint: EdgePoint
  readonly zones: readonly Zone[]
  readonly sides: readonly SideBefore[]
  /** How far the apex goes back, mm, past the deepest chip; absent: as far as a worn one. */
  readonly lostMm?: number
}): { readonly ok: true; readonly sides: readonly GrindAsked[] } | Refusal {
  const sides = ask.sides.map(({ side, wantedDeg, there }) => ({
    side,
    wantedDeg,
    faces: 'deg' in there ? ask.zones.map(() => flatFace(there.deg, there.uncertaintyDeg)) : there,
  }))
  const cut = plansFor({ ...ask, sides, stones: [] }).plans.find(({ choice }) => choice === 'cut')!
  const ground: GrindAsked[] = []
  for (const side of cut.sides) {
    if (!side.ok) return side.refusal
    const { removedMm3, rangeMm3, faceMm2, thinningMm3, left, firstDue } = side
    ground.push({ side: side.side, removedMm3, rangeMm3, faceMm2, thinningMm3, left, firstDue })
  }
  return { ok: true, sides: ground }
}

/** A flat face at an angle, ± its uncertainty, degrees. */
export const flatFace = (deg: number, uncertaintyDeg: number): FoundFace => {
  const angle = { fromDeg: Math.max(1, deg - uncertaintyDeg), middleDeg: deg, toDeg: deg + uncertaintyDeg }
  return { kind: 'flat', kindOdds: 1, angle, shoulder: angle }
}
