import { isOpen, type Step, type ToDo } from './step'
import { stepsOf } from './steps'
import type { JobNow } from './jobNow'

/** A step that is open, and what to do for it. */
export type NextStep = Step & { readonly toDo: ToDo }

/**
 * The one next step of a job: the first that its purpose expects and that is missing, under way or out of date. Null
 * where all are done or left out. A person may always do something else.
 */
export const nextStep = (job: JobNow): NextStep | null => nextOf(stepsOf(job))

export function nextOf(steps: readonly Step[]): NextStep | null {
  const next = steps.find(({ state, toDo }) => isOpen(state) && toDo !== null)
  return next?.toDo ? { ...next, toDo: next.toDo } : null
}
