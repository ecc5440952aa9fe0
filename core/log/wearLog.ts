import type { Stone } from '../records/stone/stone'
import type { StoneWear } from '../records/stone/wear'
import type { LogEntry, WearEntry } from './entry'
import { ofKind } from './activeEntries'

/** The wear log of a stone in order of its days. `log`: what is in force. */
export const wearLogOf = (log: readonly LogEntry[], stoneId: string): WearEntry[] =>
  ofKind(log, 'stone-wear')
    .filter((entry) => entry.stoneId === stoneId)
    .sort((a, b) => a.on.localeCompare(b.on))

/** Blades that a stone did at the bench: a line for each job that somebody said it was done on, on its last day. */
function benchLines(log: readonly LogEntry[], stoneId: string): StoneWear[] {
  const days = new Map<string | null, string>()
  for (const one of ofKind(log, 'stone-done')) if (one.stoneId === stoneId) days.set(one.jobId, one.at.slice(0, 10))
  return [...days.values()].map((on) => ({ on, did: 'used', faceOffsetMm: null, blades: 1, note: '' }))
}

/** What is known of a stone's wear in order of days: its own log, and the blades that it did at the bench. */
export const wearHistory = (log: readonly LogEntry[], stoneId: string): StoneWear[] =>
  // What was measured on a day is what its blades left.
  [...benchLines(log, stoneId), ...wearLogOf(log, stoneId)].sort((a, b) => a.on.localeCompare(b.on))

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
