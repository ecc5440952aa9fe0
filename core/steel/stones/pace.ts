/** A stroke takes so long before anything is known of a hand, seconds: looking and turning among it. Ours. */
const USUAL_SECONDS = 1.5
/** That counts as much as so many strokes of one's own. */
const USUAL_STROKES = 200

/** What was done with a stone on a side, and how long it took. */
export interface TimedStrokes {
  readonly strokes: number
  /** Null where it was not timed. */
  readonly minutes: number | null
}

/** How long a stroke takes, seconds: from one's own that were timed, against the usual. Source: docs/stones.md. */
export function secondsPerStroke(done: readonly TimedStrokes[]): number {
  let [seconds, strokes] = [USUAL_SECONDS * USUAL_STROKES, USUAL_STROKES]
  for (const one of done) {
    if (one.minutes === null || one.strokes === 0) continue
    seconds += 60 * one.minutes
    strokes += one.strokes
  }
  return seconds / strokes
}
