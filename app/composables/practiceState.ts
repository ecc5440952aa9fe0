import type { InkLookEntry } from '#core/log/entry'
import { useKeptForm } from '~/describing/useKeptForm'
import type { JobView } from '~/job/view'

/**
 * A practice that goes on in a job: its hidden blade and its looks, which are no looks at the blade in the jaws and
 * never get into the log. Kept until it is ended. No level: none goes on.
 */
export const practiceState = (job: JobView) =>
  useKeptForm(`practice:${job.id}`, () => ({
    level: '',
    seed: 0,
    looks: [] as InkLookEntry[],
    /** What was dialled when it was begun. */
    dialled: '',
    /** Light passes that were made, and which of them each look tells of. */
    passed: 0,
    passOf: {} as Record<string, number>,
  }))
