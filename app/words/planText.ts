import type { WantedFinish } from '#core/records/job/job'
import type { OrderKind, StoneTask, StoneWork } from '#core/steel/stones/orders'
import type { Range90, StoneRate } from '#core/steel/stones/rate'
import { roughCount } from './decisionText'

export const FINISH_WORD: Record<WantedFinish, string> = {
  toothy: 'Toothy working edge',
  kitchen: 'Kitchen',
  polished: 'Polished',
  mirror: 'Mirror',
}
export const WAY_WORD: Record<OrderKind | 'chosen', string> = {
  quickest: 'Fewest minutes',
  'two-stones': 'Two stones',
  'every-stone': 'Every stone',
  chosen: 'Your own order',
}
export const TASK_WORD: Record<StoneTask, string> = {
  shape: 'Shape the bevel to the apex',
  'replace-scratches': 'Replace the scratches of the stone before',
  'micro-bevel': 'Grind the micro-bevel',
  strop: 'Take off the last of the burr',
}
/** How one sees that a stone has done its work. */
export const TASK_DONE: Record<StoneTask, string> = {
  shape: 'Done when a burr can be felt all along the other side, heel to tip.',
  'replace-scratches': 'Done when the old scratches are gone and the new ones reach the edge, heel to tip.',
  'micro-bevel': 'Light strokes. Done when a thin bright line runs along the edge, heel to tip.',
  strop: 'Edge trailing only. Done when no burr can be felt on either side.',
}

/** How deep scratches are, known to a factor of two: "about 9 µm". */
export const scratchText = (um: number): string => `about ${Number(um.toPrecision(1))} µm`

/** What is only known to a factor: "about 90 (16 to 500)". */
export const forecastText = ({ least, middle, most }: Range90): string =>
  `about ${roughCount(middle)} (${roughCount(least)} to ${roughCount(most)})`

export const rateText = ({ jobs }: StoneRate): string =>
  jobs === 0 ? 'by its grain alone' : jobs === 1 ? 'from one job of its own' : `from ${jobs} jobs of its own`

/** What is to be said against a stone in an order, or for another one; empty where nothing is. */
export function orderRemark<S extends { readonly name: string }>({ savedWithout, between }: StoneWork<S>): string {
  if (savedWithout !== null) return `Without it, about ${roughCount(savedWithout)} strokes fewer in all.`
  if (between) return `With ${between.stone.name} before it, about ${roughCount(between.saves)} strokes fewer in all.`
  return ''
}
