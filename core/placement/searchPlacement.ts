import type { ClampPosition } from '../clamping/clampPosition'

/** Where the blade may be held: a stretch along it, a range of turns, and how deep (each depth a stop, or one of a range). */
export interface PlacementRange {
  readonly bladeXMm: readonly [number, number]
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

const MAP = { along: 33, turns: 17 } as const
const STARTS = 4
/** The search ends when its steps are this small. */
const FINE = { mm: 0.002, deg: 0.002 } as const
const IN_PLANE = [[1, 0], [-1, 0], [0, 1], [0, -1], [1, 1], [1, -1], [-1, 1], [-1, -1], [2, 1], [-2, -1], [2, -1], [-2, 1]] as const
/** Steps along the blade, in turn and, where the depth is free, in depth: each alone or two together. */
const directions = (free: boolean): (readonly [number, number, number])[] => [
  ...IN_PLANE.map(([x, turn]) => [x, turn, 0] as const),
  ...(free ? [-1, 1].flatMap((depth) => [[0, 0], [1, 0], [-1, 0], [0, 1], [0, -1]].map(([x, turn]) => [x!, turn!, depth] as const)) : []),
]

/**
 * Searches for the way of holding a blade that costs least: a map first, then from its
 * best places downhill by ever smaller steps. Yields its share of the work done (0 to 1). Source: docs/geometry.md, "An even angle".
 */
export function* searchPlacement({ held: now, range, judge, allowed = () => true }: PlacementAsk): Generator<number, PlacementFound, void> {
  const at = (bladeXMm: number, turnDeg: number, bladeYMm: number): Placement | null => {
    const held = { ...now, bladeXMm, bladeYMm, turnDeg }
    const judged = judge(held)
    return judged && allowed(held, judged.pivotHeightMm) ? { held, ...judged } : null
  }
  const xs = spread(range.bladeXMm, MAP.along)
  const turns = spread(range.turnDeg, MAP.turns)
  const rows = range.depthsMm.length * turns.length
  let done = 0
  const maps: { depthMm: number; found: (Placement | null)[][] }[] = []
  for (const depthMm of range.depthsMm) {
    const found: (Placement | null)[][] = []
    for (const turn of turns) {
      found.push(xs.map((x) => at(x, turn, depthMm)))
      yield (0.8 * ++done) / rows
    }
    maps.push({ depthMm, found })
  }
  const starts = maps.flatMap((map) => map.found.flat()).filter((one): one is Placement => one !== null).sort((a, b) => a.cost - b.cost)
  let best: Placement | null = null
  for (const [i, start] of apart(starts, (range.bladeXMm[1] - range.bladeXMm[0]) / 6).entries()) {
    const found = downhill(start)
    if (!best || found.cost < best.cost) best = found
    yield 0.8 + (0.2 * (i + 1)) / STARTS
  }
  // The map at the depth that comes nearest to the best.
  const away = (map: { depthMm: number }) => Math.abs(map.depthMm - (best?.held.bladeYMm ?? 0))
  const shown = maps.reduce((nearest, map) => (away(map) < away(nearest) ? map : nearest))
  return { best, map: { bladeXMm: xs, turnDeg: turns, depthMm: shown.depthMm, cost: shown.found.map((row) => row.map((one) => one?.cost ?? null)) } }

  function downhill(from: Placement): Placement {
    let here = from
    let stepX = (range.bladeXMm[1] - range.bladeXMm[0]) / (MAP.along - 1)
    let stepTurn = (range.turnDeg[1] - range.turnDeg[0]) / (MAP.turns - 1)
    const free = range.freeDepthMm
    let stepDepth = free ? (free[1] - free[0]) / 4 : 0
    const ways = directions(free !== null)
    while (stepX > FINE.mm || stepTurn > FINE.deg || stepDepth > FINE.mm) {
      const depth = (by: number) => (free ? within(here.held.bladeYMm + by * stepDepth, free) : here.held.bladeYMm)
      const better = ways.map(([x, turn, y]) => at(within(here.held.bladeXMm + x * stepX, range.bladeXMm), within(here.held.turnDeg + turn * stepTurn, range.turnDeg), depth(y))).reduce<Placement>(
        (found, one) => (one && one.cost < found.cost - 1e-9 ? one : found),
        here,
      )
      if (better !== here) here = better
      else {
        stepX /= 2
        stepTurn /= 2
        stepDepth /= 2
      }
    }
    return here
  }
}

const within = (value: number, [least, most]: readonly [number, number]): number => Math.min(most, Math.max(least, value))
const spread = ([from, to]: readonly [number, number], count: number): number[] => (to > from ? Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1)) : [from])

/** The best few of a sorted list that lie well apart along the blade, so that no two lead to the same place. */
function apart(sorted: readonly Placement[], leastMm: number): Placement[] {
  const taken: Placement[] = []
  for (const one of sorted) {
    if (taken.length === STARTS) break
    if (taken.every((other) => Math.abs(other.held.bladeXMm - one.held.bladeXMm) > leastMm || other.held.bladeYMm !== one.held.bladeYMm)) taken.push(one)
  }
  return taken
}
