import { computed } from 'vue'
import { anglesAsGround } from '#core/process/steps/asGround'
import { nextOf } from '#core/process/steps/nextStep'
import { stationStates } from '#core/process/steps/stationStates'
import { stepsOf } from '#core/process/steps/steps'
import { useJob } from '~/job/useJob'
import type { JobView } from '~/job/view'
import { purposeOf } from '~/job/purpose'
import { useCollections } from '~/stores/collections'
import { useLog } from '~/stores/log'
import { usePreferences } from '~/stores/preferences'
import { stepText } from '~/words/stepText'

/** The steps of this job, the one that is next, how each station stands, and what the next step says. */
export const useNextStep = () => useJob().share(process)

function process(job: JobView) {
  const preferences = usePreferences()
  const collections = useCollections()
  const log = useLog()
  const purpose = computed(() => purposeOf({ ...job.content.value, id: job.id }, job.blade.value, log))
  const now = computed(() => ({
    setup: job.setup.value,
    job: job.content.value,
    purpose: purpose.value,
    evaluation: job.dialFor.value,
    setNow: job.setNow.value,
    log: job.entries.value,
    zones: job.zones.value,
    stoneOf: (id: string) => job.stones.value.find((one) => one.id === id),
  }))
  const steps = computed(() => stepsOf(now.value))
  /** What the edge has along its length as it was last ground. */
  const asGround = computed(() => anglesAsGround(now.value))
  const next = computed(() => nextOf(steps.value))
  const text = computed(() =>
    stepText(next.value, {
      setup: job.setup.value,
      unit: preferences.unit,
      sideNames: preferences.current.sideNames,
      dialForMm: job.content.value.dialForMm,
      stoneName: collections.nameOf,
      startingRanges: preferences.current.startingRanges,
      up: job.side.value,
    }),
  )
  return { purpose, steps, next, asGround, stations: computed(() => stationStates(steps.value)), text }
}
