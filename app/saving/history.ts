import jsonPatch, { type Operation } from 'fast-json-patch'

/** One step that can be undone: the differences it made, not the content before and after (RFC 6902). */
export interface UndoStep {
  label: string
  forth: Operation[]
  back: Operation[]
  /** Changes of one gesture (a drag, a held key) share a key and are one step. */
  gesture: string | null
  /** Entries that it added to the log. */
  entries?: string[]
}

export interface History {
  done: UndoStep[]
  undone: UndoStep[]
}

const MOST_STEPS = 200

export const emptyHistory = (): History => ({ done: [], undone: [] })

/** What leads from one content to the other, and back. */
export const stepBetween = (label: string, before: object, after: object, gesture: string | null = null): UndoStep => ({
  label,
  gesture,
  forth: jsonPatch.compare(before, after),
  back: jsonPatch.compare(after, before),
})

/** The content with differences applied; null where they no longer fit it. */
export function applied(content: object, differences: readonly Operation[]): unknown {
  try {
    return jsonPatch.applyPatch(structuredClone(content), structuredClone([...differences]), true).newDocument
  } catch {
    return null
  }
}

/**
 * The history with one more step. What was undone is gone. `goesOn`: the step takes the place of the last one, for it
 * leads from where their gesture began.
 */
export function withStep(history: History, step: UndoStep, goesOn = false): History {
  const done = [...(goesOn ? history.done.slice(0, -1) : history.done), step]
  return { done: done.slice(-MOST_STEPS), undone: [] }
}

/** The history one step back, and that step; null when there is nothing to undo. */
export function undo(history: History): { history: History; step: UndoStep } | null {
  const step = history.done.at(-1)
  return step ? { history: { done: history.done.slice(0, -1), undone: [...history.undone, step] }, step } : null
}

/** The history one step forward again, and that step; null when nothing was undone. */
export function redo(history: History): { history: History; step: UndoStep } | null {
  const step = history.undone.at(-1)
  if (!step) return null
  return { history: { done: [...history.done, { ...step, gesture: null }], undone: history.undone.slice(0, -1) }, step }
}

/** Keeps a history over a reload; answers whether it could, if need be with its oldest steps left out. */
export function keepHistory(storage: Storage, key: string, history: History): boolean {
  for (let steps = history.done.length; ; steps = Math.floor(steps / 2)) {
    try {
      storage.setItem(key, JSON.stringify({ ...history, done: history.done.slice(history.done.length - steps) }))
      return true
    } catch {
      if (steps === 0) return false
    }
  }
}

/** The history that was kept; an empty one where there is none, or it cannot be read. */
export function keptHistory(storage: Storage, key: string): History {
  try {
    const kept = JSON.parse(storage.getItem(key) ?? 'null') as Partial<History> | null
    const isStep = (step: Partial<UndoStep>) => Array.isArray(step.forth) && Array.isArray(step.back)
    const sound = kept && [...(kept.done ?? []), ...(kept.undone ?? [])].every(isStep)
    return sound ? { done: kept.done ?? [], undone: kept.undone ?? [] } : emptyHistory()
  } catch {
    return emptyHistory()
  }
}
