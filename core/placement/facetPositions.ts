import { adviseDial } from '../geometry/dial/advised'
import { contactFor, isWorked, type Setup } from '../geometry/setup/setup'
import type { EdgePoint } from '../math/curve/edgePoints'
import { facetsOf } from '../records/blade/facets'
import type { Zone } from '../records/blade/zones'
import type { Side } from '../records/common/side'
import { MOST_POSITIONS, MOST_TOLERANCE_DEG, type KeptPositions } from '../records/job/positions'

/** How near a tolerance is given, degrees. */
const TOLERANCE_STEP_DEG = 0.05

/**
 * The facets of an edge as positions of one hold, in the order to work them: each is dialled for its own middle. The
 * tolerance is what remains on any of them, as it can be dialled, degrees. Null where the edge has no corners, or where
 * one of its facets cannot be dialled in this hold. Edge points: even in arc length. Source: docs/geometry.md, "Zones".
 */
export function facetPositions(
  setup: Setup,
  side: Side,
  wantedDeg: number,
  edgePoints: readonly EdgePoint[],
  zones: readonly Zone[],
): KeptPositions | null {
  const facets = facetsOf(setup.blade.edge, zones).sort((a, b) => a.order - b.order)
  if (facets.length < 2 || facets.length > MOST_POSITIONS) return null
  let worstDeg = 0
  for (const { zone, middle } of facets) {
    const on = { ...setup, worked: zone }
    const advice = adviseDial(on, side, wantedDeg, middle)
    if (!advice.ok) return null
    for (const edgePoint of [middle, ...edgePoints.filter((one) => isWorked(on, one))]) {
      const contact = contactFor(on, side, advice.setting, edgePoint)
      if (contact.ok) worstDeg = Math.max(worstDeg, Math.abs(contact.edgeAngleDeg - wantedDeg))
    }
  }
  const toleranceDeg = Math.max(1, Math.ceil(worstDeg / TOLERANCE_STEP_DEG - 1e-9)) * TOLERANCE_STEP_DEG
  if (toleranceDeg > MOST_TOLERANCE_DEG) return null
  const each = facets.map(({ zone: { fromMm, toMm }, middle }) => ({
    hold: setup.hold,
    dialForMm: middle.fromHeelMm,
    fromMm,
    toMm,
    blendAtMm: null,
  }))
  return { side, wantedDeg, toleranceDeg, each }
}
