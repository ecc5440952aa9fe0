import type { SkippedRows } from '#core/exchange/backup/skippedRows'
import type { LengthUnit } from '#core/math/units/length'
import { problemText } from './problemText'

/** What a list of a backup holds one of. */
const LIST_TEXT: Readonly<Record<string, string>> = {
  rigs: 'Rig',
  blades: 'Blade',
  stones: 'Stone',
  jobs: 'Job',
  instruments: 'Instrument',
  owners: 'Owner',
  rigVersions: 'Earlier measures of a rig',
  bladePhotos: 'Picture of a blade',
  log: 'Entry of the log',
}

/** Which rows of a backup were skipped, and why. */
export function skippedText({ count, first }: SkippedRows, unit: LengthUnit): string[] {
  const each = first.map(({ list, id, name, problems }) => {
    const why = problems.map((one) => [one.field, problemText(one, unit, one.field)].filter(Boolean).join(': '))
    return `Skipped: ${LIST_TEXT[list] ?? list} “${name || id || 'without an id'}”. ${why.join(' ')}`
  })
  return count > first.length ? [...each, `${count - first.length} more rows were skipped.`] : each
}
