import { clamp } from '../units/figures'
import { FINE, type HoldSpace, type Tried } from './holdSpace'

/** Along the blade (mm), in turn (degrees), in depth (mm). */
type Step = readonly [number, number, number]

const IN_PLANE = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
  [1, 1],
  [1, -1],
  [-1, 1],
  [-1, -1],
] as const
/** Steps along the blade, in turn and, where the depth is free, in depth: each alone or together. */
const directions = (free: boolean): Step[] => [
  ...IN_PLANE.map(([x, turn]): Step => [x, turn, 0]),
  ...(free
    ? [-1, 1].flatMap((depth) => [[0, 0] as const, ...IN_PLANE].map(([x, turn]): Step => [x, turn, depth]))
    : []),
]

/**
 * From a hold to a better one next to it, and so on: the best of the steps around, narrower ones where none helps.
 * Along a narrow valley no single step helps, but the way that was gone so far does. Source: Hooke and Jeeves, "Direct
 * search", 1961.
 */
export function downhill({ range, places, turns, at }: HoldSpace, from: Tried): Tried {
  const free = range.freeDepthMm
  const ways = directions(free !== null).filter(([x]) => !range.onMarks || x === 0)
  const by = (here: Tried, [x, turn, depth]: Step): Tried | null =>
    at(
      range.onMarks ? here.place : clamp(here.place + x, range.bladeXMm),
      clamp(here.hold.turnDeg + turn, range.turnDeg),
      free ? clamp(here.hold.bladeYMm + depth, free) : here.hold.bladeYMm,
    )
  let here = from
  let before = from
  let step: Step = [range.onMarks ? 0 : apart(places), apart(turns), free ? (free[1] - free[0]) / 4 : 0]
  while (step[0] > FINE.mm || step[1] > FINE.deg || step[2] > FINE.mm) {
    const around = ways
      .map((direction) => by(here, [direction[0] * step[0], direction[1] * step[1], direction[2] * step[2]]))
      .reduce<Tried>(better, here)
    const onward = better(around, by(around, wayBetween(before, around)))
    if (onward === here) {
      step = [step[0] / 2, step[1] / 2, step[2] / 2]
      before = here
    } else [before, here] = [here, onward]
  }
  return here
}

const apart = (spread: readonly number[]): number => (spread.length > 1 ? spread[1]! - spread[0]! : 0)
const better = (a: Tried, b: Tried | null): Tried => (b && b.cost < a.cost - 1e-9 ? b : a)
const wayBetween = (a: Tried, b: Tried): Step => [
  b.place - a.place,
  b.hold.turnDeg - a.hold.turnDeg,
  b.hold.bladeYMm - a.hold.bladeYMm,
]
