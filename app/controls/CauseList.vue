<script setup lang="ts">
import type { Cause } from '#core/observe/calibration/causesOnJob'
import { useMeasureAgain } from './useMeasureAgain'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { causeText } from '~/words/causeText'

/** What would explain a difference, the likeliest first; each leads to the measure to take again. */
defineProps<{ causes: readonly Cause[] }>()
const job = useJob()
const preferences = usePreferences()
const measureAgain = useMeasureAgain()
const said = computed(() => ({
  names: preferences.current.sideNames,
  unit: preferences.unit,
  onTable: job.rig.value.jaws === null,
}))
const route = useRoute()
const gauge = computed(() => sheetPath(job.id, 'clamp', 'gauge'))
/** So many are enough to look into. */
const MOST = 4
</script>

<template>
  <ol class="list-decimal space-y-1 pl-5">
    <li v-for="cause in causes.slice(0, MOST)" :key="cause.by === 'measure' ? cause.measure : cause.by">
      {{ causeText(cause, said) }}
      <button v-if="cause.by === 'measure'" type="button" class="text-link" @click="measureAgain(cause.measure)">
        Measure it again
      </button>
      <NuxtLink v-else-if="cause.by === 'off-square' && route.path !== gauge" class="text-link" :to="gauge"
        >Read it again</NuxtLink
      >
    </li>
  </ol>
</template>
