import type { Side } from '../../records/common/side'
import type { WantedFinish } from '../../records/job/job'
import { usesInOrder } from '../../records/job/stoneUses'
import type { Stone } from '../../records/stone/stone'
import { lastOf, nth } from '../../math/list'
import { Z95 } from '../../math/statistics/normal'
import { strokesToRemove, type Range90, type StoneRate } from './rate'

/** What grinding a side comes to before any stone is chosen. */
export interface SideToGrind {
  readonly side: Side
  /** To shape it, mm³. */
  readonly removedMm3: number
  /** The same with the bevel as flat and as steep as it may be: 95 in 100 lie between; absent: it is known. */
  readonly rangeMm3?: readonly [least: number, most: number]
  /** The new face, mm². */
  readonly faceMm2: number
}

/** What a stone is there for. */
export type StoneTask = 'shape' | 'replace-scratches' | 'micro-bevel' | 'strop'

export interface StoneWork<S> {
  readonly stone: S
  readonly task: StoneTask
  readonly sides: readonly { readonly side: Side; readonly removedMm3: number; readonly strokes: Range90 }[]
  readonly minutes: Range90
  /** Where the order would take fewer strokes in all without this stone: so many fewer. */
  readonly savedWithout: number | null
  /** Where one from the box before it would save strokes in all: which saves most. */
  readonly between: { readonly stone: S; readonly saves: number } | null
}

export interface StoneOrder<S> {
  readonly works: readonly StoneWork<S>[]
  readonly strokes: number
  readonly minutes: Range90
  readonly removedMm3: number
  /** How deep the scratches are that it leaves, µm; null where nothing but a strop is in it. */
  readonly scratchUm: number | null
}

/** What stones can be asked for: a finish by the grain of the last one, at most, µm. Starting values, ours. */
export const FINISH_UM: Readonly<Record<WantedFinish, number>> = { toothy: 15, kitchen: 6, polished: 2, mirror: 0.7 }

export interface OrderAsk<S> {
  readonly sides: readonly SideToGrind[]
  rateOf(stone: S): StoneRate
  /** What can be taken into the order. */
  readonly box: readonly S[]
  /** How long a stroke takes, seconds. */
  readonly pace: number
  /** A micro-bevel, ground after the last stone that grinds: with which, and the steel of each side; null: none. */
  readonly microBevel?: MicroBevelAsked<S> | null
}
export interface MicroBevelAsked<S> {
  /** Null: with the last stone that grinds, again. */
  readonly stone: S | null
  readonly sides: readonly Pick<SideToGrind, 'side' | 'removedMm3'>[]
}

/** A scratch is this deep for each micrometre of grain. */
const SCRATCH_PER_UM = 0.3
/** To wipe, put a stone on, dial it and look. A starting value, ours. */
const CHANGE_MINUTES = 2
/** So many a side on a strop, edge trailing. A starting value, ours. */
const STROP_STROKES: Range90 = { least: 8, middle: 15, most: 25 }
/** What saves less than this share of all strokes, or than so many, is not worth a word. */
const [WORTH_SHARE, WORTH_STROKES] = [0.1, 20]

export type AnyStone = Pick<Stone, 'kind' | 'grainUm'>
export const isStrop = ({ kind }: AnyStone): boolean => kind === 'strop'

/** How deep the scratches of a stone are, µm. Source: docs/stones.md. */
export const scratchDepthUm = ({ grainUm }: AnyStone): number => SCRATCH_PER_UM * grainUm

/** What an order of stones comes to, one stone after the other: steel, strokes and minutes. Source: docs/stones.md. */
export function stoneOrder<S extends AnyStone>(order: readonly S[], ask: OrderAsk<S>): StoneOrder<S> {
  const works = worksOf(order, ask)
  const all = strokesOf(works)
  const worth = Math.max(WORTH_STROKES, WORTH_SHARE * all)
  const cost = (stones: readonly S[]) => strokesOf(worksOf(stones, ask))
  const grinding = order.filter((stone) => !isStrop(stone))
  const remarked = works.map((work): StoneWork<S> => {
    const at = order.indexOf(work.stone)
    if (isStrop(work.stone) || work.task === 'micro-bevel') return { ...work, savedWithout: null, between: null }
    // The last one is there for its finish.
    const without = work.stone === lastOf(grinding) ? all : cost(order.filter((one) => one !== work.stone))
    const before = order[at - 1]
    const finer = (one: S) => before !== undefined && one.grainUm < before.grainUm && one.grainUm > work.stone.grainUm
    const between = ask.box
      .filter((one) => !isStrop(one) && !order.includes(one) && finer(one))
      .map((stone) => ({ stone, saves: all - cost([...order.slice(0, at), stone, ...order.slice(at)]) }))
      .sort((a, b) => b.saves - a.saves)[0]
    return {
      ...work,
      savedWithout: all - without > worth ? all - without : null,
      between: between && between.saves > worth ? between : null,
    }
  })
  const last = works.findLast(({ task }) => task !== 'strop')?.stone
  return {
    works: remarked,
    strokes: all,
    minutes: sumOf(works.map(({ minutes }) => minutes)),
    removedMm3: works.reduce((sum, { sides }) => sum + sides.reduce((one, { removedMm3 }) => one + removedMm3, 0), 0),
    scratchUm: last ? scratchDepthUm(last) : null,
  }
}

const strokesOf = (works: readonly Pick<StoneWork<unknown>, 'sides'>[]): number =>
  works.reduce((sum, { sides }) => sum + sides.reduce((one, { strokes }) => one + strokes.middle, 0), 0)

type BareWork<S> = Omit<StoneWork<S>, 'savedWithout' | 'between'>
function worksOf<S extends AnyStone>(
  order: readonly S[],
  { sides, rateOf, pace, microBevel }: OrderAsk<S>,
): BareWork<S>[] {
  let before: S | null = null
  return usesInOrder(order, isStrop, microBevel ?? null).map(({ stone, forMicroBevel }): BareWork<S> => {
    if (forMicroBevel && microBevel) {
      const ground = microBevel.sides.map(({ side, removedMm3 }) => ({
        ...{ side, removedMm3 },
        strokes: strokesToRemove(removedMm3, rateOf(stone)),
      }))
      return { stone, task: 'micro-bevel', sides: ground, minutes: minutesOf(ground, pace) }
    }
    const task = isStrop(stone) ? 'strop' : before ? 'replace-scratches' : 'shape'
    const ground = sides.map(({ side, removedMm3, rangeMm3, faceMm2 }) => {
      if (task === 'strop') return { side, removedMm3: 0, strokes: STROP_STROKES }
      const mm3 = before ? (faceMm2 * scratchDepthUm(before)) / 1000 : removedMm3
      const steelLn = before || !rangeMm3 ? 0 : deviationOf(rangeMm3)
      return { side, removedMm3: mm3, strokes: strokesToRemove(mm3, rateOf(stone), steelLn) }
    })
    if (task !== 'strop') before = stone
    return { stone, task, sides: ground, minutes: minutesOf(ground, pace) }
  })
}

/** Of the logarithm of what lies between two figures in 95 of 100, its standard deviation. */
const deviationOf = ([least, most]: readonly [number, number]): number =>
  least > 0 ? Math.log(most / least) / (2 * Z95) : 0

/** One stone is as quick or as slow on both sides: their ranges add up. */
function minutesOf(sides: BareWork<unknown>['sides'], pace: number): Range90 {
  const strokes = sumOf(sides.map((one) => one.strokes))
  const minutes = (count: number) => CHANGE_MINUTES + (count * pace) / 60
  return { least: minutes(strokes.least), middle: minutes(strokes.middle), most: minutes(strokes.most) }
}

const sumOf = (all: readonly Range90[]): Range90 =>
  all.reduce(
    (sum, { least, middle, most }) => ({
      least: sum.least + least,
      middle: sum.middle + middle,
      most: sum.most + most,
    }),
    { least: 0, middle: 0, most: 0 },
  )

/** The last stone for a finish: the coarsest that is fine enough, else the finest there is; null without stones. */
export function finisher<S extends AnyStone>(box: readonly S[], finish: WantedFinish): S | null {
  const stones = coarseFirst(box)
  return stones.find(({ grainUm }) => grainUm <= FINISH_UM[finish]) ?? stones.at(-1) ?? null
}

const coarseFirst = <S extends AnyStone>(box: readonly S[]): S[] =>
  box.filter((stone) => !isStrop(stone)).sort((a, b) => b.grainUm - a.grainUm)

/** The ways to get to a finish that are compared. */
export type OrderKind = 'quickest' | 'two-stones' | 'every-stone'

/**
 * Orders of the stones of a box that end with a finish, and with a strop where there is one: the one that takes the
 * fewest minutes, the best of two stones, and every stone from the coarsest sensible one on. What comes out alike is
 * there once. Empty without stones. Source: shortest path over the stones from coarse to fine; docs/stones.md.
 */
export function ordersFor<S extends AnyStone>(
  ask: OrderAsk<S>,
  finish: WantedFinish,
): { readonly kind: OrderKind; readonly order: readonly S[] }[] {
  const last = finisher(ask.box, finish)
  if (!last) return []
  const strop = ask.box.find(isStrop)
  const stones = coarseFirst(ask.box).filter(({ grainUm }) => grainUm >= last.grainUm)
  const upToLast = [...stones.filter((one) => one !== last), last]
  const minutes = (order: readonly S[]) => sumOf(worksOf(order, ask).map((work) => work.minutes)).middle
  const least = (orders: readonly (readonly S[])[]) =>
    orders.reduce((best, one) => (minutes(one) < minutes(best) ? one : best))
  // Each stone's cost depends on the one before it alone: the quickest way to each is built from those before.
  const quickest: (readonly S[])[] = []
  for (const stone of upToLast) quickest.push(least([[stone], ...quickest.map((way) => [...way, stone])]))
  const ways = [
    { kind: 'quickest', order: lastOf(quickest) },
    { kind: 'two-stones', order: least(upToLast.map((one) => (one === last ? [last] : [one, last]))) },
    { kind: 'every-stone', order: upToLast.slice(upToLast.indexOf(nth(lastOf(quickest), 0))) },
  ] as const
  const withStrop = ways.map(({ kind, order }) => ({ kind, order: strop ? [...order, strop] : order }))
  const alike = (a: readonly S[], b: readonly S[]) => a.length === b.length && a.every((one, i) => one === b[i])
  return withStrop.filter(({ order }, i) => !withStrop.slice(0, i).some((one) => alike(one.order, order)))
}
