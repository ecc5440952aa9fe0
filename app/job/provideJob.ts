import { onScopeDispose, provide } from 'vue'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'
import { usePreferences } from '~/stores/preferences'
import type { JobSession } from './session'
import { useShownJob } from './shownJob'
import { JOB } from './useJob'
import { jobView, type JobView } from './view'

/** Makes an opened job ready and gives it to all that is below. */
export function provideJob(session: JobSession): JobView {
  const view = jobView(session, {
    collections: useCollections(),
    preferences: usePreferences(),
    log: useLog(),
  })
  const shown = useShownJob()
  shown.value = view
  provide(JOB, view)
  onScopeDispose(() => {
    if (shown.value === view) shown.value = null
  })
  return view
}
