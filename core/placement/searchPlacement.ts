import { downhill } from './downhill'
import { holdSpace, type Placement, type PlacementAsk, type Tried } from './holdSpace'
import { alongValley, plainer } from './valley'

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

const STARTS = 4

/**
 * Searches for the way of holding a blade that costs least: a map first, then from its best places downhill by ever
 * smaller steps, then along the valley of holds nearly alike. Yields its share of the work done (0 to 1). Source:
 * docs/geometry.md, "An even angle".
 */
export function* searchPlacement(ask: PlacementAsk): Generator<number, PlacementFound, void> {
  const space = holdSpace(ask)
  const { places, turns, range } = space
  const rows = range.depthsMm.length * turns.length
  let done = 0
  const maps: { depthMm: number; found: (Tried | null)[][] }[] = []
  for (const depthMm of range.depthsMm) {
    const found: (Tried | null)[][] = []
    for (const turn of turns) {
      found.push(places.map((place) => space.at(place, turn, depthMm)))
      yield (0.8 * ++done) / rows
    }
    maps.push({ depthMm, found })
  }
  const starts = maps
    .flatMap((map) => map.found.flat())
    .filter((one): one is Tried => one !== null)
    .sort((a, b) => a.cost - b.cost)
  let best: Tried | null = null
  for (const [i, start] of apart(starts, range.onMarks ? 0 : (range.bladeXMm[1] - range.bladeXMm[0]) / 6).entries()) {
    const found = downhill(space, start)
    if (!best || found.cost < best.cost) best = found
    yield 0.8 + (0.2 * (i + 1)) / STARTS
  }
  best &&= plainer(space, alongValley(space, best))
  // The map at the depth that comes nearest to the best.
  const away = (map: { depthMm: number }) => Math.abs(map.depthMm - (best?.hold.bladeYMm ?? 0))
  const shown = maps.reduce((nearest, map) => (away(map) < away(nearest) ? map : nearest))
  return {
    best: best && placement(best),
    map: {
      bladeXMm: places,
      turnDeg: turns,
      depthMm: shown.depthMm,
      cost: shown.found.map((row) => row.map((one) => one?.cost ?? null)),
    },
  }
}

const placement = ({ hold, pivotHeightMm, cost }: Tried): Placement => ({ hold, pivotHeightMm, cost })

/** The best few of a sorted list that lie well apart along the blade, so that no two lead to the same place. */
function apart(sorted: readonly Tried[], leastMm: number): Tried[] {
  const taken: Tried[] = []
  for (const one of sorted) {
    if (taken.length === STARTS) break
    if (
      taken.every((other) => Math.abs(other.place - one.place) > leastMm || other.hold.bladeYMm !== one.hold.bladeYMm)
    )
      taken.push(one)
  }
  return taken
}
