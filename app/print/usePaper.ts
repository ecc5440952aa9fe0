import { computed } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import { PAPER_NAMES, type Paper } from './paper'
import { usePreferences } from '~/stores/preferences'

/** The paper that is printed on: people who work in inches have their country's, unless they say otherwise. */
export function usePaper() {
  const preferences = usePreferences()
  const chosen = useLocalStorage<Paper | ''>('jaw-tilt-paper', '')
  return computed<Paper>({
    get: () => PAPER_NAMES.find((one) => one === chosen.value) ?? (preferences.unit === 'in' ? 'US Letter' : 'A4'),
    set: (to) => (chosen.value = to),
  })
}
