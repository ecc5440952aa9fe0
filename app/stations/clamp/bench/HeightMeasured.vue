<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { useNextStep } from '~/job/useNextStep'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'
import { momentText } from '~/words/momentText'

/** The blade height was measured with the blade in the clamp: said by a hand, not taken from what was planned. */
const job = useJob()
const preferences = usePreferences()
const height = computed(() => lengthText(job.dialFor.value.bladeHeightMm, preferences.unit))
const { steps } = useNextStep()
/** When it was measured, at the hold of now; null where it was not. */
const measuredAt = computed(() => {
  const state = steps.value.find(({ id }) => id === 'height')?.state
  return state?.is === 'done' ? state.fact.at : null
})
function record() {
  if (measuredAt.value) return
  const heightMm = job.dialFor.value.bladeHeightMm
  job.session.record('measured blade height', [{ ...job.newEntry(), kind: 'blade-height', heightMm }])
}
</script>

<template>
  <div v-if="job.rig.value.jaws" class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
    <UButton
      color="neutral"
      variant="outline"
      size="lg"
      :icon="measuredAt ? 'i-lucide-check' : undefined"
      :label="measuredAt ? `Blade height measured: ${height}` : `I measured the blade height: ${height}`"
      :aria-disabled="measuredAt !== null"
      data-focus="height-measured"
      @click="record"
    />
    <span v-if="measuredAt" class="text-sm text-toned">{{ momentText(measuredAt) }}</span>
    <span v-else class="text-sm text-toned">Other? Enter it under Measures first.</span>
  </div>
</template>
