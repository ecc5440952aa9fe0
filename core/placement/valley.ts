import { nth } from '../math/list'
import { patternSearch } from './patternSearch'
import { goldenSection } from './goldenSection'
import { clamp } from '../math/units/figures'
import { FINE, type HoldSpace, type Tried } from './holdSpace'

/**
 * How far along the blade a valley is looked at, as shares of its length; and how the turn is searched there, degrees.
 */
const VALLEY_SHARES = [0.02, -0.02, 0.05, -0.05, 0.1, -0.1, 0.2, -0.2] as const
/** And how much deeper or less deep, where every depth is possible, mm. */
const VALLEY_DEPTHS_MM = [0, 0.4, -0.4, 1.5, -1.5] as const
const NEAR_DEG = 5
const TURN_FINE_DEG = 0.01
/** A hold further along has to cost so much less. */
const WORTH_IT = 1e-4
/** Holds that differ by no more than this are alike: as a cost, and as a share of it. */
const ALIKE = { cost: 0.003, share: 0.02 } as const

/**
 * Along the floor of a valley, where the angle stays even over many places if the blade is turned with each: looks far
 * to both sides at the turn that is best there, and goes patternSearch again from where that is better. Source:
 * docs/geometry.md, "An even angle".
 */
export function alongValley(space: HoldSpace, from: Tried): Tried {
  const { bladeXMm: stretch, onMarks, freeDepthMm: free } = space.range
  if (onMarks) return from
  for (const deeper of free ? VALLEY_DEPTHS_MM : [0])
    for (const share of VALLEY_SHARES) {
      const place = clamp(from.place + share * (stretch[1] - stretch[0]), stretch)
      const depth = from.hold.bladeYMm + deeper
      const there = bestTurn(space, place, free ? clamp(depth, free) : depth, from)
      if (there && there.cost < from.cost - WORTH_IT) return alongValley(space, patternSearch(space, there))
    }
  return from
}

/** The best turn at a place and a depth, near the turn that another hold has. */
function bestTurn({ range, at }: HoldSpace, place: number, depthMm: number, { hold }: Tried): Tried | null {
  const turnAt = (turn: number) => at(place, turn, depthMm)
  const [least, most] = [clamp(hold.turnDeg - NEAR_DEG, range.turnDeg), clamp(hold.turnDeg + NEAR_DEG, range.turnDeg)]
  return turnAt(goldenSection(least, most, TURN_FINE_DEG, (turn) => turnAt(turn)?.cost ?? Infinity))
}

/** A hold that is turned less, or not at all, and costs next to nothing more: it is easier to set. */
export function plainer({ range, places, at }: HoldSpace, best: Tried): Tried {
  const most = best.cost + Math.min(ALIKE.cost, ALIKE.share * best.cost)
  const step = range.onMarks || places.length === 1 ? 0 : nth(places, 1) - nth(places, 0)
  for (const share of [0, 0.5]) {
    const placeAt = (place: number) => at(place, share && best.hold.turnDeg * share, best.hold.bladeYMm)
    const cost = (place: number) => placeAt(place)?.cost ?? Infinity
    const nearest = places.reduce((found, place) => (cost(place) < cost(found) ? place : found))
    const found = placeAt(
      range.onMarks
        ? nearest
        : goldenSection(clamp(nearest - step, range.bladeXMm), clamp(nearest + step, range.bladeXMm), FINE.mm, cost),
    )
    if (found && found.cost <= most) return found
  }
  return best
}
