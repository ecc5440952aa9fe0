import { computed } from 'vue'
import { nextStep } from '#core/process/nextStep/nextStep'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { usePreferences } from '~/stores/preferences'
import { adviceText } from '~/words/adviceText'

/** The one next step of this job, and what it says. */
export const useNextStep = () => useJob().share(advised)

function advised(job: JobView) {
  const preferences = usePreferences()
  const next = computed(() =>
    nextStep({
      setup: job.setup.value,
      job: job.content.value,
      evaluation: job.dialFor.value,
      log: job.entries.value,
      zones: job.zones.value,
      stoneOf: (id) => job.stones.value.find((one) => one.id === id),
    }),
  )
  const text = computed(() =>
    adviceText(next.value, {
      setup: job.setup.value,
      unit: preferences.unit,
      sideNames: preferences.current.sideNames,
      dialForMm: job.content.value.dialForMm,
    }),
  )
  return { next, text }
}
