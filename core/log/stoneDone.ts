import type { Side } from '../records/common/side'
import type { StoneUse } from '../records/job/stoneUses'
import { groupedBy } from '../math/list'
import { byTime, ofKind } from './activeEntries'
import type { LogEntry, StoneDone } from './entry'

/**
 * The last time a person said that a stone has done its work on a side, at the bevel or at the micro-bevel; of a long
 * blade in a clamping position, or, null, in any. Log: the active entries of the job, oldest first.
 */
export const stoneDoneOn = (
  log: readonly LogEntry[],
  { side, stoneId, forMicroBevel, position }: StoneUse & { readonly side: Side; readonly position: number | null },
): StoneDone | undefined =>
  ofKind(log, 'stone-done').findLast(
    (one) =>
      isOfUse(one, { stoneId, forMicroBevel }) &&
      (one.side === null || one.side === side) &&
      (position === null || one.setup?.position === position),
  )

/** Work that lay longer than this was not timed, minutes. */
const MOST_MINUTES = 120

/**
 * How long a side took with a stone up to now, minutes: from when it was dialled, or what was done before it on the
 * job. Null where the work lay for long. `dialledAt`, `now`: ISO 8601. Log: the job's active entries, oldest first.
 */
export function minutesAtStone(log: readonly LogEntry[], dialledAt: string, now: string): number | null {
  const before = ofKind(log, 'stone-done').at(-1)?.at ?? ''
  const minutes = (Date.parse(now) - Date.parse(before > dialledAt ? before : dialledAt)) / 60_000
  return minutes >= 0 && minutes <= MOST_MINUTES ? minutes : null
}

/** What a stone did on a job. */
export interface StoneOnJob {
  readonly jobId: string
  /** The last of it. */
  readonly at: string
  readonly strokes: number
  /** As far as it was timed. */
  readonly minutes: number
}

/** What a stone was used on, the newest job first. Log: active entries with the stone, oldest first. */
export const jobsOfStone = (log: readonly LogEntry[]): StoneOnJob[] =>
  [...groupedBy(log, ({ jobId }) => jobId)]
    .flatMap(([jobId, own]): StoneOnJob[] => {
      const [made, done] = [ofKind(own, 'strokes'), ofKind(own, 'stone-done')]
      const last = [...made, ...done].sort(byTime).at(-1)
      if (jobId === null || !last) return []
      const strokes = made.reduce((sum, { count }) => sum + count, 0)
      return [{ jobId, at: last.at, strokes, minutes: done.reduce((sum, one) => sum + (one.minutes ?? 0), 0) }]
    })
    .sort((one, other) => (one.at < other.at ? 1 : -1))

/** Whether an entry is of a stone, and of what it was on for: the bevel, where an entry does not say. */
export const isOfUse = ({ stoneId, setup }: Pick<StoneDone, 'stoneId' | 'setup'>, use: StoneUse): boolean =>
  stoneId === use.stoneId && (setup?.forMicroBevel ?? false) === use.forMicroBevel
