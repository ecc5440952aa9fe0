<script setup lang="ts">
import { useBench } from '~/composables/useBench'
import { useBenchActions } from '~/composables/useBenchActions'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { dialText, DIAL_STEP_WORD } from '~/words/dialText'

const bench = useBench()
const actions = useBenchActions()
const job = useJob()
const preferences = usePreferences()
const dialled = computed(() => {
  const setting = actions.dialledNow()
  return setting && bench.rig.value ? dialText(bench.rig.value, setting, preferences.unit) : ''
})
const stepWord = computed(() => (bench.rig.value ? DIAL_STEP_WORD[bench.rig.value.height.by] : 'mark'))
/** What the measures are called on this kind of rig. */
const words = computed(() => {
  if (bench.rig.value?.jaws === null)
    return {
      pivot: 'Pivot height',
      out: 'edge in front of the line',
      along: 'heel to the table’s middle',
      turn: 'Turn on the table',
    }
  const pivot = bench.rig.value?.kind === 'two-arm' ? 'Arm pivot, to the side' : 'Pivot height'
  return { pivot, out: 'edge out of the jaws', along: 'heel to the jaws’ middle', turn: 'Turn in the jaws' }
})
</script>

<template>
  <section
    v-if="job.content && bench.evaluation.value"
    aria-label="Measures"
    class="grid grid-cols-2 gap-x-3 gap-y-2 md:grid-cols-4"
  >
    <MeasureField
      :label="words.pivot"
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
      :value="bench.evaluation.value.bladeHeightMm"
      :step="0.5"
      :apply="(v) => actions.setBladeHeight(v)"
      :hint="words.out"
    />
    <MeasureField
      label="Clamp position"
      kind="length"
      focus="clamp-position"
      :value="actions.heelToMiddle(job.content.hold)"
      :step="0.5"
      :apply="(v) => actions.setHeelToMiddle(v)"
      :hint="words.along"
    />
    <MeasureField
      :label="words.turn"
      kind="angle"
      focus="turn"
      :value="job.content.hold.turnDeg"
      :step="0.5"
      :apply="(v) => actions.setTurn(v)"
      hint="tip out is positive"
    />
  </section>
</template>
