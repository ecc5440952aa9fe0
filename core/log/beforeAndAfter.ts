import { ofKind } from './activeEntries'
import type { LogEntry, Sharpness } from './entry'
import { steelStrokes } from './steelStrokes'

/** The same sharpness test before a blade was ground on a job, and since; `after` null: it was not repeated yet. */
export interface BeforeAndAfter {
  readonly before: Sharpness
  readonly after: Sharpness | null
}

/** Null where nothing was ground, or nothing was tried before. Log: active entries of a job, oldest first. */
export function beforeAndAfter(log: readonly LogEntry[]): BeforeAndAfter | null {
  const strokes = steelStrokes(log)
  const [first, last] = [strokes[0], strokes.at(-1)]
  const tests = ofKind(log, 'sharpness').filter(({ test }) => test !== 'burr')
  const before = first && tests.findLast(({ at }) => at < first.at)
  if (!before || !last) return null
  const after = tests.findLast(({ at, test }) => at > last.at && test === before.test) ?? null
  return { before, after }
}
