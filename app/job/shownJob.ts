import { shallowRef, type ShallowRef } from 'vue'
import { createSharedComposable } from '@vueuse/core'
import type { JobView } from './view'

/** The job whose pages are shown, for what stands over all pages (header, commands); null where none is. */
export const useShownJob = createSharedComposable((): ShallowRef<JobView | null> => shallowRef(null))
