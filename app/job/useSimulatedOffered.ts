import { computed } from 'vue'
import { isSample } from '#core/records/storage/samples'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'

/** Whether simulated instruments are offered: on the samples, and where this device asks for them. */
export function useSimulatedOffered() {
  const job = useJob()
  const preferences = usePreferences()
  return computed(() => preferences.simulated || isSample(job.id))
}
