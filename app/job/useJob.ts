import { inject, type InjectionKey } from 'vue'
import type { JobView } from './view'

export const JOB: InjectionKey<JobView> = Symbol('job')

/** The job of this page, ready. Only inside a job's pages. */
export function useJob(): JobView {
  const view = inject(JOB)
  if (!view) throw new Error('There is no job here: useJob belongs inside the pages of a job.')
  return view
}
