import type { Side } from '../records/common/side'
import { ofKind } from './activeEntries'
import type { BevelWidth, LogEntry } from './entry'
import { steelStrokes } from './steelStrokes'

/** A bevel that was measured, and on how many jobs steel was taken off its side since. */
export interface PastWidth extends Pick<BevelWidth, 'at' | 'placeMm' | 'widthMm' | 'uncertaintyMm'> {
  readonly sharpeningsSince: number
}

/** The bevel widths measured on a side. Log: the active entries with a blade, of all its jobs, oldest first. */
export function pastWidths(log: readonly LogEntry[], side: Side): PastWidth[] {
  const ground = steelStrokes(log).filter((one) => one.side === side)
  return ofKind(log, 'bevel-width').flatMap((one) => {
    if (one.side !== side) return []
    const { at, placeMm, widthMm, uncertaintyMm } = one
    const jobs = new Set(ground.filter((strokes) => strokes.at > at).map(({ jobId }) => jobId))
    return [{ at, placeMm, widthMm, uncertaintyMm, sharpeningsSince: jobs.size }]
  })
}
