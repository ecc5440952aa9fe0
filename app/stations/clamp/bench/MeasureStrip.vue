<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { dialText } from '~/words/dialText'
import { DIAL_WORDS } from '~/words/dialWords'
import { placeText } from '~/words/placeText'
import { RIG_WORDS } from '~/words/rigText'

const job = useJob()

const { actions } = job
const preferences = usePreferences()
const dialled = computed(() => dialText(job.rig.value, actions.dialledNow()))
const stepWord = computed(() => DIAL_WORDS[job.rig.value.height.by].step)
const place = computed(() => placeText(job.content.value.dialForMm, job.rig.value.kind, preferences.unit))
/** What the measures are called on this kind of rig. */
const words = computed(() => RIG_WORDS[job.rig.value.kind])
</script>

<template>
  <section aria-label="Measures" class="measures grid gap-x-3 gap-y-2">
    <MeasureField
      :label="words.pivotHeight"
      kind="length"
      focus="pivot-height"
      :value="actions.pivotHeightNow() ?? 0"
      :apply="(v) => actions.setPivotHeight(v)"
      :step-by="(n) => actions.stepDial(n)"
      :hint="`${dialled}; a step is one ${stepWord}`"
    />
    <MeasureField
      label="Blade height"
      kind="length"
      focus="blade-height"
      :value="job.dialFor.value.bladeHeightMm"
      :step="0.5"
      :apply="(v) => actions.setBladeHeight(v)"
      :hint="place"
      :title="words.edgeOut"
    />
    <MeasureField
      label="Clamp position"
      kind="length"
      focus="clamp-position"
      :value="actions.heelToMiddle(job.content.value.hold)"
      :step="0.5"
      :apply="(v) => actions.setHeelToMiddle(v)"
      :hint="words.heelToMiddle"
    />
    <MeasureField
      :label="words.turn"
      kind="angle"
      focus="turn"
      :value="job.content.value.hold.turnDeg"
      :step="0.5"
      :apply="(v) => actions.setTurn(v)"
      hint="tip out is positive"
    />
    <MeasureField
      label="Point on the edge"
      kind="length"
      focus="look-place"
      :value="job.evaluation.value.edgePoint.fromHeelMm"
      :step="0.5"
      :apply="(v) => actions.lookAtTyped(v)"
      hint="from the heel, along the edge"
    />
  </section>
</template>

<style scoped>
/* As many beside each other as have room for their figure. */
.measures {
  grid-template-columns: repeat(auto-fill, minmax(max(9.5rem, 17%), 1fr));
}
</style>
