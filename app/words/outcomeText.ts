import type { Outcome, UseUnit } from '#core/log/choices'
import type { OutcomeEntry } from '#core/log/entry'
import { ZONE_WORD } from './zoneText'

export const OUTCOME_WORD: Readonly<Record<Outcome, string>> = {
  'cuts-well': 'It still cuts as wanted',
  dulled: 'It got dull evenly',
  rolled: 'The edge rolled',
  chipped: 'The edge chipped',
  'dulled-soon': 'It dulled soon, with nothing to see',
}
/** What a use is counted in: one, and more of them. */
export const USE_UNIT_WORD: Readonly<Record<UseUnit, readonly [one: string, more: string]>> = {
  meals: ['meal', 'meals'],
  metres: ['metre cut', 'metres cut'],
  cuts: ['cut', 'cuts'],
  plants: ['plant', 'plants'],
  hours: ['hour', 'hours'],
}
export const useCountText = (count: number, unit: UseUnit | 'days'): string =>
  `${count} ${unit === 'days' ? (count === 1 ? 'day' : 'days') : USE_UNIT_WORD[unit][count === 1 ? 0 : 1]}`

/** What an entry says beside its outcome: "at belly, tip · 40 meals · by the cook". */
export function outcomeDetails({ zones, usedFor, amount, by, burrRemoved, note }: OutcomeEntry): string {
  return [
    zones.length > 0 && `at ${zones.map((zone) => ZONE_WORD[zone]).join(', ')}`,
    usedFor,
    amount && useCountText(amount.count, amount.unit),
    burrRemoved !== null && (burrRemoved ? 'burr removed with care' : 'a burr may have stayed'),
    by && `says ${by}`,
    note,
  ]
    .filter(Boolean)
    .join(' · ')
}
