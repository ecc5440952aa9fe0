<script setup lang="ts">
import { heightToMeasure } from '#core/geometry/hold/heightToMeasure'
import { useJob } from '~/job/useJob'
import { useNextStep } from '~/job/useNextStep'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'
import { momentText } from '~/words/momentText'
import { placeText } from '~/words/placeText'

/** The blade height as it was measured with the blade in the clamp: said by a hand, not taken from what was planned. */
const job = useJob()
const preferences = usePreferences()
const { steps } = useNextStep()
/** When it was measured, at the hold of now; null where it was not. */
const measuredAt = computed(() => {
  const state = steps.value.find(({ id }) => id === 'height')?.state
  return state?.is === 'done' ? state.fact.at : null
})
const measure = computed(() => heightToMeasure(job.setup.value, job.dialFor.value.edgePoint))
const heightMm = computed(() => measure.value?.heightMm ?? 0)
const height = computed(() => lengthText(heightMm.value, preferences.unit))
/** Where that is, unless it is where the dial is for. */
const where = computed(() => {
  const placeMm = measure.value?.placeMm ?? null
  return placeMm === null ? '' : placeText(placeMm, job.rig.value.kind, preferences.unit)
})
const setHeight = (mm: number) => job.actions.setBladeHeight(mm, null, heightMm.value)
function record() {
  if (measuredAt.value) return
  const entry = { ...job.newEntry(), kind: 'blade-height' as const, heightMm: heightMm.value }
  job.session.record('measured blade height', [entry])
}
</script>

<template>
  <div
    v-if="measure"
    class="mt-2 flex flex-wrap items-end gap-x-3 gap-y-1 border-t border-default pt-2"
    data-testid="height-measured"
  >
    <MeasureField
      v-if="!measuredAt"
      label="Height, measured"
      kind="length"
      focus="measured-height"
      :value="heightMm"
      :apply="setHeight"
      class="w-44"
    />
    <UButton
      color="neutral"
      variant="outline"
      size="lg"
      :icon="measuredAt ? 'i-lucide-check' : undefined"
      :label="measuredAt ? `Blade height measured: ${height}` : 'I measured it'"
      :aria-disabled="measuredAt !== null"
      data-focus="height-measured"
      @click="record"
    />
    <span class="text-sm text-toned">{{ measuredAt ? momentText(measuredAt) : where }}</span>
  </div>
</template>
