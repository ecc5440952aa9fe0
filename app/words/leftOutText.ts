import type { SetAside } from '#core/exchange/backup/backup'
import type { LengthUnit } from '#core/math/units/length'
import { problemText } from './problemText'

/** What a list of a backup holds one of. */
const LIST_TEXT: Readonly<Record<string, string>> = {
  rigs: 'Rig',
  blades: 'Blade',
  stones: 'Stone',
  jobs: 'Job',
  instruments: 'Instrument',
  rigVersions: 'Earlier measures of a rig',
  bladePhotos: 'Picture of a blade',
  log: 'Entry of the log',
}

/** Which rows of a backup were left out, and why. */
export function leftOutText({ rows, first }: SetAside, unit: LengthUnit): string[] {
  const each = first.map(({ list, id, name, problems }) => {
    const why = problems.map((one) => [one.field, problemText(one, unit, one.field)].filter(Boolean).join(': '))
    return `Left out: ${LIST_TEXT[list] ?? list} “${name || id || 'without an id'}”. ${why.join(' ')}`
  })
  return rows > first.length ? [...each, `${rows - first.length} more rows were left out.`] : each
}
