import { lastOf, nth } from '../math/list'
import { patternSearch } from './patternSearch'
import { holdSpace, type HoldSpace, type Placement, type PlacementAsk, type Tried } from './holdSpace'
import { polish } from './polish'
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

/** So many of the map's own low places are gone down from, the lowest first, and of each slot of a plate so many. */
const STARTS = 20
const STARTS_AT_A_HEIGHT = 5
/** Beyond those, the next best that lie this far apart along the blade, as a share of the range. */
const APART_SHARE = 1 / 6
const STARTS_APART = 4
/** So many floors are followed on, as far as they cost so little more than the lowest and are not the same. */
const FOLLOWED = 4
const STILL_DEG = 0.15
const SAME_FLOOR = { mm: 2, deg: 0.5 } as const
/** A plain hold is left again for one that is better than the best so far by this. */
const WORTH_LEAVING_DEG = 0.001

/**
 * Searches for the way of holding a blade that costs least: a map first, then from its low places patternSearch by ever
 * smaller steps, along the valley of holds nearly alike, and out of its kinks. Yields its share of the work done (0 to
 * 1). Source: docs/geometry.md, "An even angle".
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
  const lows = lowest(maps.flatMap((map) => lowPlaces(map.found)).sort(cheaper))
  const all = maps.flatMap((map) => map.found.flat().filter((one) => one !== null)).sort(cheaper)
  const leastMm = range.onMarks ? 0 : (range.bladeXMm[1] - range.bladeXMm[0]) * APART_SHARE
  const starts = new Set([...lows, ...apart(all, leastMm)])
  const floors: Tried[] = []
  let tried = 0
  const { enough } = ask
  const willDo = ({ cost }: Tried) => enough !== undefined && cost <= enough
  for (const start of starts) {
    floors.push(patternSearch(space, start))
    if (willDo(lastOf(floors))) break
    yield 0.8 + (0.1 * ++tried) / starts.size
  }
  let best: Tried | null = null
  let followed = 0
  const promising = apartFrom(floors.sort(cheaper), enough === undefined ? FOLLOWED : 1)
  for (const floor of promising) {
    const found = willDo(floor) ? floor : polish(space, alongValley(space, floor), 1)
    if (!best || found.cost < best.cost) best = found
    yield 0.9 + (0.1 * ++followed) / promising.length
  }
  if (best && enough === undefined) best = plainest(space, polish(space, best))
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

/** The plainest of holds that cost next to nothing more; where that leads to a better one, the plainest of those. */
function plainest(space: HoldSpace, best: Tried): Tried {
  const plain = plainer(space, best)
  if (plain === best) return best
  const onward = polish(space, patternSearch(space, plain))
  return onward.cost < best.cost - WORTH_LEAVING_DEG ? plainest(space, onward) : plain
}

const placement = ({ place: _, ...found }: Tried): Placement => found

const cheaper = (a: Tried, b: Tried): number => a.cost - b.cost

/** The places of a map with nothing lower next to them: each may be the floor of a valley of its own. */
function lowPlaces(found: readonly (readonly (Tried | null)[])[]): Tried[] {
  const cost = (row: number, i: number) => found[row]?.[i]?.cost ?? Infinity
  return found.flatMap((places, row) =>
    places.filter(
      (one, i): one is Tried => one !== null && AROUND.every(([up, along]) => cost(row + up, i + along) >= one.cost),
    ),
  )
}
const AROUND = [-1, 0, 1].flatMap((up) => [-1, 0, 1].map((along) => [up, along] as const))

/** The first of a sorted list, a few at each height of the pivot: a plate's slots have valleys of their own. */
function lowest(sorted: readonly Tried[]): Tried[] {
  const at = new Map<number, number>()
  return sorted
    .filter(({ pivotHeightMm }) => {
      const before = at.get(pivotHeightMm) ?? 0
      at.set(pivotHeightMm, before + 1)
      return before < STARTS_AT_A_HEIGHT
    })
    .slice(0, STARTS)
}

/** Those of a sorted list that could still come out the best, each in a valley of its own. */
function apartFrom(sorted: readonly Tried[], most: number): Tried[] {
  const taken: Tried[] = []
  for (const one of sorted) {
    if (taken.length === most || one.cost > nth(sorted, 0).cost + STILL_DEG) break
    const same = (other: Tried) =>
      other.pivotHeightMm === one.pivotHeightMm &&
      Math.abs(other.place - one.place) < SAME_FLOOR.mm &&
      Math.abs(other.hold.turnDeg - one.hold.turnDeg) < SAME_FLOOR.deg
    if (!taken.some(same)) taken.push(one)
  }
  return taken
}

/** The best few of a sorted list that lie well apart along the blade, so that no two lead to the same place. */
function apart(sorted: readonly Tried[], leastMm: number): Tried[] {
  const taken: Tried[] = []
  for (const one of sorted) {
    if (taken.length === STARTS_APART) break
    if (
      taken.every((other) => Math.abs(other.place - one.place) > leastMm || other.hold.bladeYMm !== one.hold.bladeYMm)
    )
      taken.push(one)
  }
  return taken
}
