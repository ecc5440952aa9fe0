import type { Side } from '../records/common/side'
import type { LogEntry } from './entry'
import type { SetupSnapshot } from './setupSnapshot'
import { steelStrokes } from './steelStrokes'

/**
 * How the rig was set when steel was last taken off a side: what a proof of it is a proof of. Null where no strokes
 * were recorded there: it is the bevel that was found. Log: the active entries of the job at the blade, oldest first.
 * `position`: of a long blade, the clamping position in which the place is worked; null: any.
 */
export const cutWith = (log: readonly LogEntry[], side: Side, position: number | null): SetupSnapshot | null =>
  steelStrokes(log).findLast((one) => one.side === side && (position === null || one.setup?.position === position))
    ?.setup ?? null
