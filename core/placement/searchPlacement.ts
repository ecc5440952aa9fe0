import type { ClampPosition } from '../clamping/clampPosition'
import { bladeXOnMark } from '../clamping/landmark'
import { goldenSection } from './goldenSection'

/** Where the blade may be held: a stretch along it, a range of turns, and how deep (each depth a stop, or one of a range). */
export interface PlacementRange {
  readonly bladeXMm: readonly [number, number]
  /** Where the place along the blade is bound to marks of the jaws: those, and how far the blade's landmark is from its heel. Null: anywhere. */
  readonly onMarks: { readonly landmarkMm: number; readonly marksMm: readonly number[] } | null
  readonly turnDeg: readonly [number, number]
  readonly depthsMm: readonly number[]
  /** Where every depth is possible: from, to. Null where there are only the stops. */
  readonly freeDepthMm: readonly [number, number] | null
}

/** What a way of holding the blade comes to at the pivot height that suits it best. */
export interface Judgement {
  readonly pivotHeightMm: number
  /** What is to be small: the greatest deviation (degrees), or the steel taken off (mm²). */
  readonly cost: number
}

export interface Placement extends Judgement {
  readonly held: ClampPosition
}

export interface PlacementAsk {
  /** As it is held now: centring and tilt stay. */
  readonly held: ClampPosition
  readonly range: PlacementRange
  /** Null where the stone cannot lie on all of the edge. */
  readonly judge: (held: ClampPosition) => Judgement | null
  /** Whether a blade can be held so at this pivot height; by default always. */
  readonly allowed?: (held: ClampPosition, pivotHeightMm: number) => boolean
}

/** The cost over clamp position and turn at one depth; null where the blade cannot be held so. */
export interface PlacementMap {
  readonly bladeXMm: readonly number[]
  readonly turnDeg: readonly number[]
  readonly depthMm: number
  /** Row by row: one row for each turn. */
  readonly cost: readonly (readonly (number | null)[])[]
}

export interface PlacementFound {
  /** The best there is; null where the blade can be held nowhere in the range. */
  readonly best: Placement | null
  /** The map at the best depth. */
  readonly map: PlacementMap
}

/** A hold that was tried, and its place: bladeX, or on marks what bladeX is without a turn. */
interface Tried extends Placement {
  readonly place: number
}

const MAP = { along: 33, turns: 17 } as const
const STARTS = 4
/** How far along the blade a valley is looked at, as shares of its length; and how the turn is searched there, degrees. */
const VALLEY_SHARES = [0.02, -0.02, 0.05, -0.05, 0.1, -0.1, 0.2, -0.2] as const
const NEAR_DEG = 5
const TURN_FINE_DEG = 0.01
/** Holds that differ by no more than this are alike: as a cost, and as a share of it. */
const ALIKE = { cost: 0.003, share: 0.02 } as const
/** The search ends when its steps are this small. */
const FINE = { mm: 0.002, deg: 0.002 } as const
const IN_PLANE = [[1, 0], [-1, 0], [0, 1], [0, -1], [1, 1], [1, -1], [-1, 1], [-1, -1]] as const
/** Steps along the blade, in turn and, where the depth is free, in depth: each alone or together. */
const directions = (free: boolean): Step[] => [...IN_PLANE.map(([x, turn]): Step => [x, turn, 0]), ...(free ? [-1, 1].flatMap((depth) => [[0, 0] as const, ...IN_PLANE].map(([x, turn]): Step => [x, turn, depth])) : [])]

/**
 * Searches for the way of holding a blade that costs least: a map first, then from its
 * best places downhill by ever smaller steps. Yields its share of the work done (0 to 1). Source: docs/geometry.md, "An even angle".
 */
export function* searchPlacement({ held: now, range, judge, allowed = () => true }: PlacementAsk): Generator<number, PlacementFound, void> {
  const { onMarks } = range
  const at = (place: number, turnDeg: number, bladeYMm: number): Tried | null => {
    const bladeXMm = onMarks ? bladeXOnMark(onMarks.landmarkMm, onMarks.landmarkMm - place, turnDeg) : place
    const held = { ...now, bladeXMm, bladeYMm, turnDeg }
    const judged = judge(held)
    return judged && allowed(held, judged.pivotHeightMm) ? { held, ...judged, place } : null
  }
  const xs = onMarks ? onMarks.marksMm.map((mark) => onMarks.landmarkMm - mark).sort((a, b) => a - b) : spread(range.bladeXMm, MAP.along)
  const turns = spread(range.turnDeg, MAP.turns)
  const rows = range.depthsMm.length * turns.length
  let done = 0
  const maps: { depthMm: number; found: (Tried | null)[][] }[] = []
  for (const depthMm of range.depthsMm) {
    const found: (Tried | null)[][] = []
    for (const turn of turns) {
      found.push(xs.map((x) => at(x, turn, depthMm)))
      yield (0.8 * ++done) / rows
    }
    maps.push({ depthMm, found })
  }
  const starts = maps.flatMap((map) => map.found.flat()).filter((one): one is Tried => one !== null).sort((a, b) => a.cost - b.cost)
  let best: Tried | null = null
  for (const [i, start] of apart(starts, onMarks ? 0 : (range.bladeXMm[1] - range.bladeXMm[0]) / 6).entries()) {
    const found = downhill(start)
    if (!best || found.cost < best.cost) best = found
    yield 0.8 + (0.2 * (i + 1)) / STARTS
  }
  best &&= plainer(alongValley(best))
  // The map at the depth that comes nearest to the best.
  const away = (map: { depthMm: number }) => Math.abs(map.depthMm - (best?.held.bladeYMm ?? 0))
  const shown = maps.reduce((nearest, map) => (away(map) < away(nearest) ? map : nearest))
  return { best: best && placement(best), map: { bladeXMm: xs, turnDeg: turns, depthMm: shown.depthMm, cost: shown.found.map((row) => row.map((one) => one?.cost ?? null)) } }

  /**
   * Along the floor of a valley, where the angle stays even over many places if the blade is turned with each: looks far to both sides at
   * the turn that is best there, and goes downhill again from where that is better.
   */
  function alongValley(from: Tried): Tried {
    if (onMarks) return from
    const span = range.bladeXMm[1] - range.bladeXMm[0]
    for (const share of VALLEY_SHARES) {
      const there = bestTurn(within(from.place + share * span, range.bladeXMm), from)
      if (there && there.cost < from.cost - 1e-6) return alongValley(downhill(there))
    }
    return from
  }

  /** The best turn at a place near the turn that another hold has. */
  function bestTurn(place: number, near: Tried): Tried | null {
    const turnAt = (turn: number) => at(place, turn, near.held.bladeYMm)
    const [least, most] = [-1, 1].map((sign) => within(near.held.turnDeg + sign * NEAR_DEG, range.turnDeg)) as [number, number]
    return turnAt(goldenSection(least, most, TURN_FINE_DEG, (turn) => turnAt(turn)?.cost ?? Infinity))
  }

  /** A hold that is turned less, or not at all, and costs next to nothing more: it is easier to set. */
  function plainer(best: Tried): Tried {
    const most = best.cost + Math.min(ALIKE.cost, ALIKE.share * best.cost)
    for (const share of [0, 0.5]) {
      const placeAt = (place: number) => at(place, best.held.turnDeg * share, best.held.bladeYMm)
      const cost = (place: number) => placeAt(place)?.cost ?? Infinity
      const nearest = xs.reduce((found, place) => (cost(place) < cost(found) ? place : found), xs[0]!)
      const step = onMarks || xs.length === 1 ? 0 : xs[1]! - xs[0]!
      const found = placeAt(goldenSection(within(nearest - step, range.bladeXMm), within(nearest + step, range.bladeXMm), FINE.mm, cost))
      if (found && found.cost <= most) return found
    }
    return best
  }

  /** The best of the steps around, then on in its direction as long as that helps; narrower steps where none does. */
  function downhill(from: Tried): Tried {
    const free = range.freeDepthMm
    const ways = directions(free !== null).filter(([x]) => !onMarks || x === 0)
    const by = (here: Tried, [x, turn, depth]: Step): Tried | null =>
      at(onMarks ? here.place : within(here.place + x, range.bladeXMm), within(here.held.turnDeg + turn, range.turnDeg), free ? within(here.held.bladeYMm + depth, free) : here.held.bladeYMm)
    const better = (a: Tried, b: Tried | null): Tried => (b && b.cost < a.cost - 1e-9 ? b : a)
    let here = from
    let before = from
    let step: Step = [onMarks ? 0 : (range.bladeXMm[1] - range.bladeXMm[0]) / (MAP.along - 1), (range.turnDeg[1] - range.turnDeg[0]) / (MAP.turns - 1), free ? (free[1] - free[0]) / 4 : 0]
    while (step[0] > FINE.mm || step[1] > FINE.deg || step[2] > FINE.mm) {
      const around = ways.map((way) => by(here, [way[0] * step[0], way[1] * step[1], way[2] * step[2]])).reduce<Tried>(better, here)
      // Along a narrow valley no single step helps, but the way that was gone so far does (Hooke and Jeeves, 1961).
      const onward = better(around, by(around, wayBetween(before, around)))
      if (onward === here) {
        step = [step[0] / 2, step[1] / 2, step[2] / 2]
        before = here
      } else [before, here] = [here, onward]
    }
    return here
  }
}

/** Along the blade (mm), in turn (degrees), in depth (mm). */
type Step = readonly [number, number, number]
const wayBetween = (a: Tried, b: Tried): Step => [b.place - a.place, b.held.turnDeg - a.held.turnDeg, b.held.bladeYMm - a.held.bladeYMm]
const placement = ({ held, pivotHeightMm, cost }: Tried): Placement => ({ held, pivotHeightMm, cost })
const within = (value: number, [least, most]: readonly [number, number]): number => Math.min(most, Math.max(least, value))
const spread = ([from, to]: readonly [number, number], count: number): number[] => (to > from ? Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1)) : [from])

/** The best few of a sorted list that lie well apart along the blade, so that no two lead to the same place. */
function apart(sorted: readonly Tried[], leastMm: number): Tried[] {
  const taken: Tried[] = []
  for (const one of sorted) {
    if (taken.length === STARTS) break
    if (taken.every((other) => Math.abs(other.place - one.place) > leastMm || other.held.bladeYMm !== one.held.bladeYMm)) taken.push(one)
  }
  return taken
}
