import { onScopeDispose, provide, shallowRef, type ShallowRef } from 'vue'
import { createSharedComposable } from '@vueuse/core'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'
import { usePreferences } from '~/stores/preferences'
import type { JobSession } from './session'
import { JOB } from './useJob'
import { jobView, type JobView } from './view'

/** The job whose pages are shown, for what stands over all pages (header, commands); null where none is. */
export const useShownJob = createSharedComposable((): ShallowRef<JobView | null> => shallowRef(null))

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
