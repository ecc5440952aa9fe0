import { ref } from 'vue'
import { createSharedComposable } from '@vueuse/core'
import type { AngleId } from '~/navigation/stations'

/** Which panel stands open over the bench. */
export const useOpenPanel = createSharedComposable(() => ({
  panel: ref<'palette' | 'keys' | 'glossary' | 'preferences' | null>(null),
  angle: ref<AngleId | null>(null),
}))
