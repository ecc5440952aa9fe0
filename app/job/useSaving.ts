import { computed } from 'vue'
import type { Job } from '#core/records/job/job'
import type { Problem } from '#core/schema/problem'
import type { SaveState } from '~/saving/autosave'
import { useLog } from '~/stores/log'
import type { JobView } from './view'

type Standing = { is: SaveState<Job>['is']; problem: Problem | null }

/** How the saving of a job stands, its log included: the worse of the two. */
export function useSaving(job: JobView) {
  const log = useLog()
  const standing = computed((): Standing => {
    const [content, entries] = [job.session.saveState.value, log.state]
    if (content.is === 'conflict') return { is: 'conflict', problem: null }
    for (const state of [content, entries])
      if (state.is === 'refused' || state.is === 'waiting') return { is: state.is, problem: state.problem }
    return { is: content.is === 'saving' || entries.is === 'sending' ? 'saving' : 'saved', problem: null }
  })
  function retry() {
    void job.session.retry()
    void log.retry()
  }
  return { standing, retry }
}
