import type { StoneWear } from './wear'

/** That a stone has done as many blades since it was cleaned as it usually does between two cleanings. */
export interface CleaningDue {
  readonly blades: number
  readonly usual: number
}

/**
 * Whether a stone is due to be cleaned, by the habit that its own log tells: the median number of blades between two
 * cleanings. Log: in order of days. Null where it is not due, or was not cleaned twice yet: there is no habit to go by.
 */
export function cleaningDue(log: readonly StoneWear[]): CleaningDue | null {
  const between: number[] = []
  let since: number | null = null
  for (const { did, blades } of log) {
    if (since !== null) since += blades
    if (did !== 'cleaned') continue
    if (since !== null) between.push(since)
    since = 0
  }
  const usual = between.sort((a, b) => a - b)[Math.floor((between.length - 1) / 2)]
  return usual !== undefined && usual > 0 && since !== null && since >= usual ? { blades: since, usual } : null
}
