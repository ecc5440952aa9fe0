/** One step that can be undone. */
export interface Step<T> {
  label: string
  before: T
  after: T
  /** Changes of one gesture (a drag, a held key) share a key and are one step. */
  gesture: string | null
}

export interface History<T> {
  done: Step<T>[]
  undone: Step<T>[]
}

const MOST_STEPS = 200

export const emptyHistory = <T>(): History<T> => ({ done: [], undone: [] })

/**
 * The history with one more step, joined to the last one when it belongs to the same gesture. What was undone is gone.
 */
export function withStep<T>(history: History<T>, step: Step<T>): History<T> {
  const last = history.done.at(-1)
  const joins = last && step.gesture !== null && last.gesture === step.gesture
  const done = joins ? [...history.done.slice(0, -1), { ...last, after: step.after }] : [...history.done, step]
  return { done: done.slice(-MOST_STEPS), undone: [] }
}

/** The history one step back and the content to return to; null when there is nothing to undo. */
export function undo<T>(history: History<T>): { history: History<T>; content: T; label: string } | null {
  const step = history.done.at(-1)
  if (!step) return null
  return {
    history: { done: history.done.slice(0, -1), undone: [...history.undone, step] },
    content: step.before,
    label: step.label,
  }
}

/** The history one step forward again; null when nothing was undone. */
export function redo<T>(history: History<T>): { history: History<T>; content: T; label: string } | null {
  const step = history.undone.at(-1)
  if (!step) return null
  return {
    history: { done: [...history.done, { ...step, gesture: null }], undone: history.undone.slice(0, -1) },
    content: step.after,
    label: step.label,
  }
}
