import type { Side } from '../records/common/side'
import { ofKind } from './activeEntries'
import type { BevelFound, LogEntry } from './entry'
import { steelStrokes } from './steelStrokes'

/** What was last recorded as the bevel of a side. */
export interface RecordedBevel {
  readonly entry: BevelFound
  /** Whether there are marker tests that it does not know of, made before the side was ground. */
  readonly testedSince: boolean
}

/** The bevel that was recorded for a side; null while none was. Log: the active entries at the blade, oldest first. */
export function recordedBevel(log: readonly LogEntry[], side: Side): RecordedBevel | null {
  const entry = ofKind(log, 'bevel-found').findLast((one) => one.side === side)
  if (!entry) return null
  // What is tested once it was ground is what was ground, not what was found.
  const ground = steelStrokes(log).find((one) => one.side === side && one.at > entry.at)?.at
  const since = ({ at }: { readonly at: string }) => at > entry.at && (ground === undefined || at < ground)
  return { entry, testedSince: ofKind(log, 'ink-look').some((one) => one.side === side && since(one)) }
}

/** What was last recorded as the bevel of a side at a place, mm from the heel; undefined where nothing was. */
export const foundAt = (
  log: readonly LogEntry[],
  side: Side,
  placeMm: number,
): BevelFound['zones'][number] | undefined =>
  recordedBevel(log, side)?.entry.zones.find(({ fromMm, toMm }) => placeMm >= fromMm && placeMm <= toMm)
