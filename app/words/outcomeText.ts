import type { Outcome } from '#core/log/choices'

export const OUTCOME_WORD: Readonly<Record<Outcome, string>> = {
  'cuts-well': 'It cuts as wanted',
  rolled: 'The edge rolled',
  chipped: 'The edge chipped',
  'dulled-soon': 'It dulled soon, with nothing to see',
}
/** What each says of the next angle: one degree at a time, for steel does not grow back. */
export const OUTCOME_ADVICE: Readonly<Record<Outcome, string>> = {
  'cuts-well': 'Next time: one degree lower, if you want it to cut more easily.',
  rolled: 'Next time: one degree higher, or a small steeper bevel at the edge.',
  chipped: 'Next time: one degree higher, or a small steeper bevel at the edge.',
  'dulled-soon': 'Most likely chips too small to see: one degree higher next time.',
}
