import { nth } from '../math/list'
import { clamp } from '../math/units/figures'
import { FINE, type HoldSpace, type Tried } from './holdSpace'

/** Along the blade (mm), in turn (degrees), in depth (mm). */
type StepSizes = readonly [number, number, number]

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
const directions = (free: boolean): StepSizes[] => [
  ...IN_PLANE.map(([x, turn]): StepSizes => [x, turn, 0]),
  ...(free
    ? [-1, 1].flatMap((depth) => [[0, 0] as const, ...IN_PLANE].map(([x, turn]): StepSizes => [x, turn, depth]))
    : []),
]

const LEAST_GAIN = 1e-9

/**
 * From a hold to a better one next to it, and so on: the best of the steps around, narrower ones where none helps.
 * Along a narrow valley no single step helps, but the way that was gone so far does. Source: Hooke and Jeeves, "Direct
 * search", 1961.
 */
export function patternSearch({ range, places, turns, at }: HoldSpace, from: Tried): Tried {
  const free = range.freeDepthMm
  const ways = directions(free !== null).filter(([x]) => !range.onMarks || x === 0)
  /** The better of the best so far and the hold that a step leads to. */
  const betterBy = (best: Tried, here: Tried, [x, turn, depth]: StepSizes): Tried =>
    at(
      range.onMarks ? here.place : clamp(here.place + x, range.bladeXMm),
      clamp(here.hold.turnDeg + turn, range.turnDeg),
      free ? clamp(here.hold.bladeYMm + depth, free) : here.hold.bladeYMm,
      best.cost - LEAST_GAIN,
    ) ?? best
  let here = from
  let before = from
  let step: StepSizes = [range.onMarks ? 0 : apart(places), apart(turns), free ? (free[1] - free[0]) / 4 : 0]
  while (step[0] > FINE.mm || step[1] > FINE.deg || step[2] > FINE.mm) {
    const around = ways.reduce(
      (best, way) => betterBy(best, here, [way[0] * step[0], way[1] * step[1], way[2] * step[2]]),
      here,
    )
    const onward = betterBy(around, around, wayBetween(before, around))
    if (onward === here) {
      step = [step[0] / 2, step[1] / 2, step[2] / 2]
      before = here
    } else [before, here] = [here, onward]
  }
  return here
}

const apart = (spread: readonly number[]): number => (spread.length > 1 ? nth(spread, 1) - nth(spread, 0) : 0)
const wayBetween = (a: Tried, b: Tried): StepSizes => [
  b.place - a.place,
  b.hold.turnDeg - a.hold.turnDeg,
  b.hold.bladeYMm - a.hold.bladeYMm,
]
