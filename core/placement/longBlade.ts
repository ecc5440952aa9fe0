import { failed, type Result } from '../schema/result'
import type { KeptPositions } from '../records/job/positions'
import { nth } from '../math/list'
import { contactsAlong } from '../geometry/contact/contact'
import { seatedUnder } from '../geometry/contact/underStone'
import type { Side } from '../records/common/side'
import type { EdgePoint } from '../math/curve/edgePoints'
import { rodPoseAt, type Setup } from '../geometry/setup/setup'
import { clamp } from '../math/units/figures'
import { edgeTangents, evenness } from './evenness'
import { holdLimits } from './holdLimits'
import type { Placement, PlacementRange } from './holdSpace'
import { atNearestMark, type AtMark } from './nearestMark'
import { searchPlacement } from './searchPlacement'

/** One of several ways of holding a long blade, and the stretch of the edge that is worked so. */
export interface Position extends Placement {
  readonly fromMm: number
  readonly toMm: number
  /** As it can be dialled, over its own stretch. */
  readonly atMark: AtMark | null
  /** As far as the angle stays within the tolerance beyond its own stretch: where it can be blended. */
  readonly coversFromMm: number
  readonly coversToMm: number
}

export interface Seam {
  /**
   * Where the two positions' angles, as they can be dialled, are nearest to each other, and how far apart they still
   * are.
   */
  readonly atMm: number
  readonly apartDeg: number
}

/** None where even a short stretch cannot be kept within the tolerance: from `fromMm` on within `toleranceDeg`. */
export type Positions = Result<
  { readonly positions: readonly Position[]; readonly seams: readonly Seam[] },
  'no-position'
>

export interface PositionsAsk {
  readonly setup: Setup
  readonly side: Side
  readonly wantedDeg: number
  readonly toleranceDeg: number
  /** From heel to tip, even in arc length. */
  readonly edgePoints: readonly EdgePoint[]
  readonly range: PlacementRange
}

/** What was found, as a job keeps it; null where it is one position, or one of them cannot be dialled. */
export function keptPositions(
  { positions, seams }: Positions & { readonly ok: true },
  about: Pick<KeptPositions, 'side' | 'wantedDeg' | 'toleranceDeg'>,
): KeptPositions | null {
  if (positions.length < 2) return null
  const each = positions.flatMap(({ hold, atMark, fromMm, toMm }, i) =>
    atMark ? [{ hold, dialForMm: atMark.evenAtMm, fromMm, toMm, blendAtMm: seams[i - 1]?.atMm ?? null }] : [],
  )
  return each.length === positions.length ? { ...about, each } : null
}

/** Stretches are made of so many pieces at the most: a seam is not told finer. */
const PIECES = 60
/** Below this a deviation tells nothing of a longer stretch's. */
const LEAST_COST_DEG = 0.001

/**
 * The fewest positions that keep the deviation within a tolerance along the whole edge: each is taken as far towards
 * the tip as any way of holding allows, then the next begins. Yields the share of the edge that is covered. Source:
 * docs/geometry.md, "An even angle".
 */
export function* positionsFor(ask: PositionsAsk): Generator<number, Positions, void> {
  const { edgePoints, toleranceDeg } = ask
  const every = Math.max(1, Math.floor(edgePoints.length / PIECES))
  const coarse = edgePoints.filter((_, i) => i % every === 0 || i === edgePoints.length - 1)
  const taken: { from: number; to: number; placement: Placement }[] = []
  let from = 0
  while (from < coarse.length - 1) {
    let [good, bad] = [from, coarse.length]
    let best: Placement | null = null
    // First as much as the position before took; at the heel all of it, for most blades need no more.
    const before = taken.at(-1)
    let to = Math.min(before ? from + before.to - before.from : Infinity, coarse.length - 1)
    while (good < bad - 1) {
      const found = bestFor(ask, coarse.slice(from, to + 1), toleranceDeg)
      if (found && found.cost <= toleranceDeg) [good, best] = [to, found]
      else bad = to
      // Along a curve the deviation grows with about the square of the stretch: that tells where the next try belongs.
      const growth = found ? Math.sqrt(toleranceDeg / Math.max(found.cost, LEAST_COST_DEG)) : 0.5
      to = clamp(from + Math.round((to - from) * growth), [good + 1, bad - 1])
      yield good / (coarse.length - 1)
    }
    if (!best || good === from) return failed('no-position', { fromMm: nth(coarse, from).fromHeelMm, toleranceDeg })
    const thorough = bestFor(ask, coarse.slice(from, good + 1))
    taken.push({ from, to: good, placement: thorough && thorough.cost < best.cost ? thorough : best })
    from = good
  }
  const angles = taken.map(({ placement }) => anglesAlong(ask, placement, placement.pivotHeightMm))
  const positions = taken.map(({ from: a, to: b, placement }, k): Position => {
    const inTolerance = (i: number) => Math.abs(nth(nth(angles, k), i) - ask.wantedDeg) <= toleranceDeg + 1e-6
    let [first, last] = [a * every, Math.min(b * every, edgePoints.length - 1)]
    while (first > 0 && inTolerance(first - 1)) first--
    while (last < edgePoints.length - 1 && inTolerance(last + 1)) last++
    const own = edgePoints.slice(a * every, Math.min(b * every, edgePoints.length - 1) + 1)
    return {
      ...placement,
      atMark: atNearestMark(ask.setup, ask.side, placement, own, ask.wantedDeg),
      fromMm: nth(coarse, a).fromHeelMm,
      toMm: nth(coarse, b).fromHeelMm,
      coversFromMm: nth(edgePoints, first).fromHeelMm,
      coversToMm: nth(edgePoints, last).fromHeelMm,
    }
  })
  const dialled = positions.map((position) =>
    anglesAlong(ask, position, position.atMark?.heightMm ?? position.pivotHeightMm),
  )
  const seams = positions.slice(1).map((next, k): Seam => {
    const before = nth(positions, k)
    let seam = { atMm: before.toMm, apartDeg: Infinity }
    edgePoints.forEach((edgePoint, i) => {
      if (edgePoint.fromHeelMm < next.coversFromMm - 1e-9 || edgePoint.fromHeelMm > before.coversToMm + 1e-9) return
      const apartDeg = Math.abs(nth(nth(dialled, k), i) - nth(nth(dialled, k + 1), i))
      if (apartDeg < seam.apartDeg) seam = { atMm: edgePoint.fromHeelMm, apartDeg }
    })
    return seam
  })
  return { ok: true, positions, seams }
}

function bestFor(
  { setup, side, wantedDeg, range }: PositionsAsk,
  stretch: readonly EdgePoint[],
  enough?: number,
): Placement | null {
  const seated = seatedUnder(setup.blade.edge, setup.stone.widthMm, stretch)
  const tangents = edgeTangents(seated)
  const limits = holdLimits(setup, side, stretch)
  const search = searchPlacement({
    hold: setup.hold,
    range,
    enough,
    judge: (hold, isAllowed) => evenness(setup, [side], hold, tangents, seated, wantedDeg, isAllowed),
    allowed: (hold, { pivotHeightMm }) => limits(hold, pivotHeightMm) === null,
  })
  for (;;) {
    const step = search.next()
    if (step.done) return step.value.best
  }
}

/** The edge angle at each edge point; not a number where there is none, which is within no tolerance. */
function anglesAlong({ setup, side, edgePoints }: PositionsAsk, { hold }: Placement, pivotHeightMm: number): number[] {
  const at = { ...setup, hold }
  return contactsAlong(edgePoints, hold, rodPoseAt(at, side, pivotHeightMm)).map((contact) =>
    contact.ok ? contact.edgeAngleDeg : NaN,
  )
}
