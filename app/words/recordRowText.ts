import { recordRows } from '#core/use/recordRows'
import type { LogEntry } from '#core/log/entry'
import type { LengthUnit } from '#core/math/units/length'
import type { PerSide } from '#core/records/common/side'
import { angleText } from './angleText'
import { CHOICE_WORD } from './decisionText'
import { entryWord } from './entryText'
import { lengthText } from './lengthText'
import { OUTCOME_WORD, outcomeDetails } from './outcomeText'
import { foundText } from './sharpnessText'

/** One line of a blade's record: "Proved angle A 20.1° ± 0.2°". */
export function recordText(entry: LogEntry, unit: LengthUnit, names: PerSide<string>): string {
  const word = entryWord(entry.kind)
  if (entry.kind === 'outcome')
    return [`${word}: ${OUTCOME_WORD[entry.outcome]}`, outcomeDetails(entry)].filter(Boolean).join(' · ')
  if (entry.kind === 'sharpness') return `${word}: ${foundText(entry, names)}`
  if (entry.kind === 'decided') return `${word}: ${CHOICE_WORD[entry.choice]}`
  const [row] = recordRows([entry])
  const { side, value, unit: of, uncertainty, zone } = row!
  const figure = (one: number, backed?: number) =>
    of === 'deg' ? angleText(one, backed) : of === 'mm' ? lengthText(one, unit) : String(one)
  return [
    word,
    side && names[side],
    zone && `at the ${zone}`,
    value !== null && figure(value, uncertainty ?? undefined),
    uncertainty !== null && `± ${figure(uncertainty)}`,
  ]
    .filter(Boolean)
    .join(' ')
}
