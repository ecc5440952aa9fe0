<script setup lang="ts">
import { isSample } from '#core/kept/samples'
import type { Side } from '#core/clamping/centring'
import { useJob } from '~/job/useJob'
import { useGauge } from '~/composables/useGauge'
import { simulatedGauge, type LevelGauge } from '~/devices/levelGauge'
import { hiddenError, seedOf } from '~/devices/trueBench'
import { usePreferences } from '~/stores/preferences'

/** Takes a reading from a gauge that sends it: the needle comes to rest, then it is held for the side that is up. */
const emit = defineEmits<{ hold: [side: Side, deg: number] }>()
const job = useJob()
const preferences = usePreferences()
/** Make-believe is offered with the samples, and where it was asked for. */
const offered = computed(() => preferences.simulated || isSample(job.id))
const { expected } = useGauge()

/**
 * The make-believe bench behind the simulated gauge is a little off what was measured, and always the same for a job.
 */
const seed = computed(() => seedOf(job.id))
const truth = () => {
  const [set, reads] = [job.up.value, expected.value[job.side.value]]
  if (!set.ok || reads === null) return 0
  const hidden = hiddenError(job.setup.value, job.content.value, seed.value)
  return reads + hidden(job.side.value, set.pivotHeightMm, job.evaluation.value.station)
}
const gauge: LevelGauge = simulatedGauge(truth, Math.random)
const live = ref<number | null>(null)
function start() {
  live.value = 0
  gauge.start((deg) => (live.value = deg))
}
function stop() {
  gauge.stop()
  live.value = null
}
function hold() {
  if (live.value === null) return
  emit('hold', job.side.value, Math.round(live.value * 10) / 10)
  stop()
}
watch(() => job.side.value, stop)
onBeforeUnmount(stop)
</script>

<template>
  <div v-if="offered" class="flex items-center gap-3">
    <template v-if="live === null">
      <UButton
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-radio"
        :label="`Read with the ${gauge.name.toLowerCase()}`"
        :disabled="expected[job.side.value] === null"
        @click="start"
      />
    </template>
    <template v-else>
      <span class="figure w-28 text-3xl" data-testid="live">{{ live.toFixed(1) }}°</span>
      <UButton size="lg" :label="`Hold for ${preferences.current.sideNames[job.side.value]}`" @click="hold" />
      <UButton color="neutral" variant="ghost" size="lg" icon="i-lucide-x" aria-label="Stop reading" @click="stop" />
    </template>
  </div>
</template>
