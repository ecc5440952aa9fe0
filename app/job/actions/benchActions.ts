import type { JobState, Stores } from '../state'
import { choosing } from './choosing'
import { actionContext } from './context'
import { dialling } from './dialling'
import { holding } from './holding'
import { looking } from './looking'

/**
 * What hands do at the bench. Each action changes the job, or changes nothing and says why in words. A gesture (a drag,
 * a held key) is one step of the undo.
 */
export function benchActions(job: JobState, stores: Stores) {
  const context = actionContext(job, stores)
  const { looksBack, ...looks } = looking(context)
  return { ...dialling(context), ...holding(context, looksBack), ...looks, ...choosing(context) }
}
export type BenchActions = ReturnType<typeof benchActions>
