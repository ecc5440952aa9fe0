import { seatedUnder } from '../geometry/contact/underStone'
import { bevelSectionOf } from '../steel/bevel/bevelSectionOf'
import type { Side } from '../records/common/side'
import { curveLength } from '../math/curve/arcLength'
import { edgePointAt, type EdgePoint } from '../math/curve/edgePoints'
import { deepestHoldMm, LEAST_HELD_MM } from '../geometry/hold/grip'
import { fixedHeightsMm, heightRange } from '../records/rig/dial'
import type { Setup } from '../geometry/setup/setup'
import { restsOnTable } from '../records/rig/kinds'
import { edgeTangents, evenness } from './evenness'
import { holdLimits, type HoldLimits, type HoldTrouble } from './holdLimits'
import { leastSteel } from './leastSteel'
import { atNearestMark, atSetting, type AtMark } from './nearestMark'
import type { Judge, PivotHeights, Placement, PlacementRange } from './holdSpace'
import { searchPlacement, type PlacementFound } from './searchPlacement'
import { whyNone, type NoHold } from './whyNone'

export type PlacementAim = 'even' | 'least-steel'

export interface FindPlacement {
  readonly setup: Setup
  readonly side: Side
  readonly wantedDeg: number
  /** The places of the edge that count, from heel to tip. */
  readonly edgePoints: readonly EdgePoint[]
  readonly aim: PlacementAim
  /** Whether the blade's landmark is to lie on a mark of the jaws. */
  readonly onMarks: boolean
  /**
   * The other side, where the angle is to be as even as it can be on the worse of both; with one dial for both it wants
   * the same. Null: for this side alone, as the least steel always is.
   */
  readonly other?: { readonly side: Side; readonly wantedDeg: number; readonly oneDial: boolean } | null
  /** For the least steel: the bevel that is there on this side, degrees. */
  readonly thereDeg: number | null
}

/** Why the best is no better: every way of doing better that stands next to it is barred by this. */
export type Bound = HoldTrouble | 'turned-far-enough' | 'end-of-the-blade' | 'between-marks' | 'between-stops'

export interface FoundPlacement extends PlacementFound {
  readonly atMark: AtMark | null
  /** The same on the other side; null where it was not asked for. */
  readonly otherAtMark: AtMark | null
  /** Of the sides that were asked for, what runs off the most with what can be dialled. */
  readonly worst: (Pick<AtMark, 'worstDeg' | 'worstAtMm'> & { readonly side: Side }) | null
  /** What bars anything better; empty where steepest and flattest place simply balance. */
  readonly bounds: readonly Bound[]
  /** Where there is no best: what stands against every hold, the most frequent first. */
  readonly whyNone: readonly NoHold[]
}

/** A blade is not turned further than this in its jaws, degrees. */
const MOST_TURN_DEG = 10
const DEPTH_STEPS = 5
/** So many places of the edge tell one hold from another: their deviation is within a thousandth of a degree of all. */
const SEARCHED_PLACES = 200

/**
 * Where a rig lets its blade be held: along all of the blade or, `wantsMarks`, where its landmark lies on one of the
 * jaws' marks (as far as there are such things); turned either way; at its stops where it has any.
 */
export function placementRange(
  { rig, blade, hold }: Pick<Setup, 'rig' | 'blade' | 'hold'>,
  wantsMarks = false,
): PlacementRange {
  const heel = edgePointAt(blade.edge, 0).point[0]
  const tip = edgePointAt(blade.edge, curveLength(blade.edge)).point[0]
  const deepest = deepestHoldMm(blade)
  const stops = rig.stops
    .map((stop) => stop.depthMm)
    .filter((depth) => restsOnTable(rig) || (depth >= LEAST_HELD_MM && depth <= deepest))
  const free = Array.from(
    { length: DEPTH_STEPS },
    (_, i) => LEAST_HELD_MM + ((deepest - LEAST_HELD_MM) * i) / (DEPTH_STEPS - 1),
  )
  const bladeXMm = [Math.min(heel, tip), Math.max(heel, tip)] as const
  const turnDeg = [-MOST_TURN_DEG, MOST_TURN_DEG] as const
  const onMarks =
    wantsMarks && blade.landmark && rig.positionMarks.length > 0
      ? { landmarkMm: blade.landmark.alongMm, marksMm: rig.positionMarks.map((mark) => mark.alongMm) }
      : null
  if (stops.length > 0 || restsOnTable(rig))
    return {
      bladeXMm,
      onMarks,
      turnDeg,
      depthsMm: [...new Set(stops.length > 0 ? stops : [hold.bladeYMm])],
      freeDepthMm: null,
    }
  return { bladeXMm, onMarks, turnDeg, depthsMm: [...new Set(free)], freeDepthMm: [LEAST_HELD_MM, deepest] }
}

/**
 * Searches for the best way of holding a job's blade within what its rig can do. Yields the share done. Source:
 * docs/geometry.md, "An even angle".
 */
export function* findPlacement(ask: FindPlacement): Generator<number, FoundPlacement, void> {
  const { setup, side, wantedDeg, edgePoints, aim, thereDeg } = ask
  const every = Math.ceil(edgePoints.length / SEARCHED_PLACES)
  const searched = edgePoints.filter((_, i) => i % every === 0 || i === edgePoints.length - 1)
  const seated = seatedUnder(setup.blade.edge, setup.stone.widthMm, searched)
  const tangents = edgeTangents(seated)
  const other = aim === 'even' ? (ask.other ?? null) : null
  const limits = holdLimits(setup, side, edgePoints)
  const otherLimits = other && holdLimits(setup, other.side, edgePoints)
  /** What stands against a hold, on either side where both are held. */
  const trouble = (hold: Setup['hold'], { pivotHeightMm, otherHeightMm = pivotHeightMm }: PivotHeights) =>
    limits(hold, pivotHeightMm) ?? otherLimits?.(hold, otherHeightMm) ?? null
  const there = bevelSectionOf(setup.blade, side, thereDeg ?? wantedDeg)
  const judge: Judge = (hold, isAllowed) =>
    aim === 'even' ? even(hold, isAllowed) : leastSteel(setup, side, hold, tangents, seated, there)
  const even: Judge = (hold, isAllowed) => {
    if (!other || other.oneDial)
      return evenness(setup, other ? [side, other.side] : [side], hold, tangents, seated, wantedDeg, isAllowed)
    const onSide = (of: Side, deg: number, within: HoldLimits | null) =>
      evenness(setup, [of], hold, tangents, seated, deg, (one) => within?.(hold, one.pivotHeightMm) === null)
    const own = onSide(side, wantedDeg, limits)
    const onOther = own && onSide(other.side, other.wantedDeg, otherLimits)
    return onOther && { ...own, otherHeightMm: onOther.pivotHeightMm, cost: Math.max(own.cost, onOther.cost) }
  }
  const range = placementRange(setup, ask.onMarks)
  const asked = {
    hold: setup.hold,
    range,
    judge,
    allowed: (hold: Setup['hold'], at: PivotHeights) => trouble(hold, at) === null,
  }
  const found = yield* searchPlacement(asked)
  const { best } = found
  if (!best)
    return { ...found, atMark: null, otherAtMark: null, worst: null, bounds: [], whyNone: whyNone(asked, trouble) }
  const bothAllow: HoldLimits = (hold, pivotHeightMm) => trouble(hold, { pivotHeightMm })
  const atMark = atNearestMark(setup, side, best, edgePoints, wantedDeg, other?.oneDial ? bothAllow : limits)
  const otherAtMark = otherAt(best)
  const isOther = otherAtMark && atMark && Math.abs(otherAtMark.worstDeg) > Math.abs(atMark.worstDeg)
  const worst = isOther && other ? { ...otherAtMark, side: other.side } : atMark && { ...atMark, side }
  return { ...found, atMark, otherAtMark, worst, bounds: boundsOf(best), whyNone: [] }

  function otherAt({ hold, pivotHeightMm, otherHeightMm = pivotHeightMm }: Placement): AtMark | null {
    if (!other) return null
    return other.oneDial
      ? atMark && atSetting(setup, other.side, hold, atMark.setting, edgePoints, other.wantedDeg)
      : atNearestMark(setup, other.side, { hold, pivotHeightMm: otherHeightMm }, edgePoints, other.wantedDeg)
  }

  /** Looks a little further in each way: what would be better but is barred. */
  function boundsOf(best: Placement): Bound[] {
    const bounds = new Set<Bound>()
    if (aim === 'even' && atEndOfRange(setup.rig, best.pivotHeightMm)) bounds.add('height-out-of-rig')
    const MM = 1.5
    const DEPTH_MM = 3
    const DEG = 0.75
    const BETTER = 0.97
    for (const [x, turn, y] of [
      [MM, 0, 0],
      [-MM, 0, 0],
      [0, DEG, 0],
      [0, -DEG, 0],
      [MM, DEG, 0],
      [MM, -DEG, 0],
      [-MM, DEG, 0],
      [-MM, -DEG, 0],
      [0, 0, DEPTH_MM],
      [0, 0, -DEPTH_MM],
    ] as const) {
      const hold = {
        ...best.hold,
        bladeXMm: best.hold.bladeXMm + x,
        turnDeg: best.hold.turnDeg + turn,
        bladeYMm: best.hold.bladeYMm + y,
      }
      const tried = judge(hold)
      if (!tried || tried.cost > best.cost * BETTER - 0.002) continue
      const barred = trouble(hold, tried)
      if (barred) bounds.add(barred)
      else if (Math.abs(hold.turnDeg) > MOST_TURN_DEG) bounds.add('turned-far-enough')
      else if (x !== 0 && range.onMarks) bounds.add('between-marks')
      else if (y !== 0 && !range.freeDepthMm && !restsOnTable(setup.rig)) bounds.add('between-stops')
      else if (hold.bladeXMm < range.bladeXMm[0] || hold.bladeXMm > range.bladeXMm[1]) bounds.add('end-of-the-blade')
    }
    return [...bounds]
  }
}

/** Whether a post stands at its lowest or highest; a plate's slots are all it has. */
function atEndOfRange(rig: Setup['rig'], heightMm: number): boolean {
  const { lowestMm, highestMm } = heightRange(rig)
  return fixedHeightsMm(rig) === null && (heightMm === lowestMm || heightMm === highestMm)
}
