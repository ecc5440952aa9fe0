import type { Side } from '../records/common/side'
import { ofKind } from './activeEntries'
import type { LogEntry, StoneDone } from './entry'

/**
 * The last time a person said that a stone has done its work on a side; of a long blade in a clamping position, or,
 * null, in any. Log: the active entries of the job, oldest first.
 */
export const stoneDoneOn = (
  log: readonly LogEntry[],
  { side, stoneId, position }: { readonly side: Side; readonly stoneId: string; readonly position: number | null },
): StoneDone | undefined =>
  ofKind(log, 'stone-done').findLast(
    (one) =>
      one.stoneId === stoneId &&
      (one.side === null || one.side === side) &&
      (position === null || one.setup?.position === position),
  )
