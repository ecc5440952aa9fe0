import { effectScope } from 'vue'
import { benchActions, type BenchActions } from './actions/benchActions'
import type { JobSession } from './session'
import type { Practice } from './practice'
import { jobState, type JobState, type Stores } from './state'

/** An opened job, ready, and what hands can do with it. */
export type JobView = JobState & {
  readonly actions: BenchActions
  readonly practice: Practice
  /** Whether this is the copy that a practice is on. */
  readonly practising: boolean
  /** What its forms are kept under: those of a practice are not the job's. */
  readonly keptAs: string
  /** Something worked out once for all the components of this job: made on first use, ended with the job. */
  share<T>(make: (job: JobView) => T): T
}

/**
 * An opened job with everything it needs, for the pages of the job: nothing in it can be missing, for that was settled
 * at the door (missingOf). What is chosen to be looked at, what the geometry gives, and what is drawn stand apart. It
 * lives as long as the scope it is made in.
 */
export function jobView(session: JobSession, stores: Stores, practice: Practice): JobView {
  const scope = effectScope()
  const shared = new Map<unknown, unknown>()
  const practising = session === practice.session.value
  // What happens in a practice is not in the log.
  const log = practising ? { ofJob: () => practice.entries.value } : stores.log
  const state = jobState(session, { ...stores, log })
  const view: JobView = {
    ...state,
    actions: benchActions(state, stores),
    practice,
    practising,
    keptAs: practising ? `${session.id}:practice` : session.id,
    share<T>(make: (job: JobView) => T): T {
      if (!shared.has(make))
        shared.set(
          make,
          scope.run(() => make(view)),
        )
      return shared.get(make) as T
    },
  }
  return view
}
