<script setup lang="ts">
import type { Side } from '#core/records/common/side'
import { useJob } from '~/job/useJob'
import { useGauge } from '~/composables/useGauge'
import { simulatedGauge } from '~/devices/levelGauge'
import { hasSerial, serialGauge } from '~/devices/serialGauge'
import { hiddenError, seedOf } from '~/devices/trueBench'
import { useLevelGauge, type GaugeTrouble } from '~/devices/useLevelGauge'
import { useSimulatedOffered } from '~/job/useSimulatedOffered'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'

/** Takes a reading from a gauge that sends it: zeroed, at rest, then held for the side that is up. */
const emit = defineEmits<{ hold: [side: Side, deg: number] }>()
const job = useJob()
const preferences = usePreferences()
/** Make-believe is offered with the samples, and where it was asked for. */
const offered = useSimulatedOffered()
const { expected } = useGauge()
const level = useLevelGauge()
const { state, trouble, zeroDeg } = level

/**
 * The make-believe bench behind the simulated gauge is a little off what was measured, and always the same for a job.
 */
const seed = computed(() => seedOf(job.id))
const truth = () => {
  const [set, reads] = [job.up.value, expected.value[job.side.value]]
  if (!set.ok || reads === null) return 0
  const hidden = hiddenError(job.setup.value, job.content.value, seed.value)
  return reads + hidden(job.side.value, set.pivotHeightMm, job.evaluation.value.edgePoint)
}
const simulate = () => void level.start(simulatedGauge(truth))
const plugged = ref(false)
onMounted(() => (plugged.value = hasSerial()))
const plugIn = () => void level.start(serialGauge())

/** A gauge on one side leans one way, on the other the other: the angle is what counts. */
const live = computed(() => (state.value ? Math.abs(state.value.deg - zeroDeg.value) : null))
const TROUBLE: Record<GaugeTrouble, string> = {
  silent: 'Nothing comes from the gauge. Is it on, and does it send?',
  gone: 'The gauge is unplugged. Plug it in and read again: its zero is kept.',
  refused: 'The browser gives no gauge here. Was one chosen, and is it free?',
}
const lineText = computed(() => {
  const { lost, garbled } = level
  if (lost.value + garbled.value === 0) return ''
  return `${lost.value} lines lost, ${garbled.value} not to be read: they do not count.`
})
function hold() {
  if (live.value === null) return
  emit('hold', job.side.value, Math.round(live.value * 10) / 10)
  void level.stop()
}
watch(() => job.side.value, level.stop)
</script>

<template>
  <div v-if="offered || plugged">
    <div class="flex flex-wrap items-center gap-3">
      <template v-if="!level.gauge.value || trouble === 'gone'">
        <UButton
          v-if="plugged"
          color="neutral"
          variant="outline"
          size="lg"
          icon="i-lucide-radio"
          label="Read a plugged-in gauge"
          @click="plugIn"
        />
        <UButton
          v-if="offered"
          color="neutral"
          variant="outline"
          size="lg"
          icon="i-lucide-radio"
          label="Read with the simulated gauge"
          :disabled="expected[job.side.value] === null"
          @click="simulate"
        />
      </template>
      <template v-else>
        <span class="figure w-28 text-3xl" data-testid="live">{{ live === null ? '–' : angleText(live) }}</span>
        <span class="w-24" aria-live="polite" data-testid="at-rest">{{
          state?.settled ? `at rest, ± ${angleText(Math.max(0.05, state.uncertaintyDeg), 0.1)}` : 'moving'
        }}</span>
        <UButton
          size="lg"
          :label="`Hold for ${preferences.current.sideNames[job.side.value]}`"
          :disabled="!state?.settled"
          @click="hold"
        />
        <UButton color="neutral" variant="outline" size="lg" label="Zero it here" @click="level.zeroHere" />
        <UButton
          color="neutral"
          variant="ghost"
          size="lg"
          icon="i-lucide-x"
          aria-label="Stop reading"
          @click="level.stop"
        />
      </template>
    </div>
    <p v-if="trouble" role="alert" class="mt-1 text-error">{{ TROUBLE[trouble] }}</p>
    <p v-else-if="level.gauge.value" class="mt-1 min-h-5 text-sm text-muted">
      {{ lineText }}<template v-if="zeroDeg !== 0"> Zeroed {{ angleText(Math.abs(zeroDeg)) }} off its own.</template>
    </p>
  </div>
</template>
