import { onScopeDispose, provide } from 'vue'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'
import { usePreferences } from '~/stores/preferences'
import type { Practice } from './practice'
import type { JobSession } from './session'
import { useShownJob } from './shownJob'
import { JOB } from './useJob'
import { jobView, type JobView } from './view'

/** Makes an opened job ready, or the copy of it that is practised on, and gives it to all that is below. */
export function provideJob(session: JobSession, practice: Practice): JobView {
  const stores = { collections: useCollections(), preferences: usePreferences(), log: useLog() }
  const view = jobView(session, stores, practice)
  const shown = useShownJob()
  shown.value = view
  provide(JOB, view)
  onScopeDispose(() => {
    if (shown.value === view) shown.value = null
  })
  return view
}
