import type { Stone } from '../records/stone/stone'
import type { StoneWear } from '../records/stone/wear'
import type { LogEntry, WearEntry } from './entry'
import { ofKind } from './activeEntries'

/** The wear log of a stone in order of its days. `log`: what is in force. */
export const wearLogOf = (log: readonly LogEntry[], stoneId: string): WearEntry[] =>
  ofKind(log, 'stone-wear')
    .filter((entry) => entry.stoneId === stoneId)
    .sort((a, b) => a.on.localeCompare(b.on))

/**
 * The lines that tell of a face that was measured anew and had worn: the measure of today, and before it that of the
 * stone's description where none was in the log, so that what was lost in between is known.
 */
export function wornLines(
  before: Pick<Stone, 'faceOffsetMm'> & { readonly updatedAt: string },
  faceOffsetMm: number,
  today: string,
  log: readonly StoneWear[],
): StoneWear[] {
  const line = (on: string, mm: number): StoneWear => ({ on, did: 'measured', faceOffsetMm: mm, blades: 0, note: '' })
  const described = log.some((one) => one.faceOffsetMm !== null)
    ? []
    : [line(before.updatedAt.slice(0, 10), before.faceOffsetMm)]
  return [...described, line(today, faceOffsetMm)]
}

/** A line of a stone's wear log as an entry, at noon of its day. */
export const wearEntry = (stoneId: string, line: StoneWear, id: string): WearEntry => ({
  ...line,
  kind: 'stone-wear',
  id,
  at: `${line.on}T12:00:00.000Z`,
  stoneId,
  jobId: null,
  bladeId: null,
  instrumentId: null,
})
