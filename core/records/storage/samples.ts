import { RECORD_KINDS, type RecordKind } from './kinds'

/** The ids of samples begin alike: a record is told as one by its id alone, and a copy of it is the user's own. */
const SAMPLE = '01980000-5a3e-7000-8000-'
const IN_A_KIND = 1e6

const numbered = (n: number): string => SAMPLE + String(n).padStart(12, '0')

/** The id of a kind's sample by its number, from 0. */
export const sampleId = (kind: RecordKind, n: number): string =>
  numbered((RECORD_KINDS.indexOf(kind) + 1) * IN_A_KIND + n)

/** The id of the samples' log entry by its number, from 0. */
export const sampleEntryId = (n: number): string => numbered(n)

/** Whether a record (or a log entry) is one of the samples. */
export const isSample = (id: string): boolean => id.startsWith(SAMPLE)

/** The first and the last id that a sample can have. */
export const SAMPLE_IDS = [`${SAMPLE}000000000000`, `${SAMPLE}ffffffffffff`] as const
