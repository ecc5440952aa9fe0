import type { Side } from '../records/common/side'
import type { EntryOf, LogEntry } from './entry'
import { setupChanges, type SetupPart } from './setAlike'
import type { SetupSnapshot } from './setupSnapshot'

/** What says how a side was dialled: that a hand dialled it, or did something at that setting. */
const CONFIRMS = ['dialled', 'ink-look', 'reading', 'strokes'] as const
type Confirming = EntryOf<(typeof CONFIRMS)[number]>

/** What was said of the dial of a side, and by what. */
export interface Dialling {
  readonly at: string
  readonly by: Confirming['kind']
  readonly stoneId: string | null
  readonly setup: SetupSnapshot
}

/**
 * What is known of a hand having dialled a side: nothing was noted on this rig; noted, and set so still; or noted, and
 * set otherwise since: `by` is what changed.
 */
export type DialledState =
  | { readonly is: 'not-noted' }
  | { readonly is: 'noted'; readonly noted: Dialling }
  | { readonly is: 'changed'; readonly noted: Dialling; readonly by: readonly SetupPart[] }

/** How the dial of a side stands. Log: the active entries of this job, oldest first. `now`: how the job is set. */
export function dialledState(log: readonly LogEntry[], now: SetupSnapshot, side: Side): DialledState {
  const noted = log.flatMap((entry) => confirmed(entry, side)).at(-1)
  if (!noted || noted.setup.rigId !== now.rigId) return { is: 'not-noted' }
  const by = setupChanges(noted.setup, now, side)
  return by.length === 0 ? { is: 'noted', noted } : { is: 'changed', noted, by }
}

const isConfirming = (entry: LogEntry): entry is Confirming => CONFIRMS.some((kind) => kind === entry.kind)
/** What an entry says of the dial of a side: nothing where it does not say what was dialled. */
function confirmed(entry: LogEntry, side: Side): Dialling[] {
  if (!isConfirming(entry) || entry.side !== side || !entry.setup?.setting[side]) return []
  return [{ at: entry.at, by: entry.kind, stoneId: entry.stoneId, setup: entry.setup }]
}
