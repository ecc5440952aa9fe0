import { randomLcg, randomNormal } from 'd3-random'
import { clamp } from '../units/figures'
import type { HoldSpace, Tried } from './holdSpace'

/** How far a first step goes: along the blade and in depth (mm), in turn (degrees); each round a third of it. */
const STEP = { along: 4, turn: 1, depth: 1 } as const
const ROUNDS = 5
const WAYS = 24
/** Less than this is no gain. */
const GAIN = 1e-5

/**
 * From a hold at which no step along an axis helps any more to a better one: the greatest deviation has kinks, and down
 * a kinked valley only a few directions lead. Tries directions of no order, both ways, and goes on in one as long as it
 * helps (a mesh of random directions, after Audet and Dennis 2006). The same each time.
 */
export function polish({ range, at }: HoldSpace, from: Tried): Tried {
  const { bladeXMm: stretch, turnDeg, onMarks, freeDepthMm: free } = range
  const random = randomNormal.source(randomLcg(0.5))(0, 1)
  let best = from
  const stepped = ([along, turn, depth]: readonly [number, number, number], by: number): Tried | null =>
    at(
      onMarks ? best.place : clamp(best.place + by * along * STEP.along, stretch),
      clamp(best.hold.turnDeg + by * turn * STEP.turn, turnDeg),
      free ? clamp(best.hold.bladeYMm + by * depth * STEP.depth, free) : best.hold.bladeYMm,
    )
  for (let round = 0, step = 1; round < ROUNDS; round++, step /= 3)
    for (let way = 0; way < WAYS; way++) {
      const direction = [random(), random(), random()] as const
      for (const by of [step, -step])
        for (let next = stepped(direction, by); next && next.cost < best.cost - GAIN; next = stepped(direction, by))
          best = next
    }
  return best
}
