<script setup lang="ts">
import type { Practice } from '~/job/practice'
import { provideJob } from '~/job/provideJob'
import type { JobSession } from '~/job/session'
import { isPractised, placeAt } from '~/navigation/stations'

/** The frame of a job's pages, and the job that they all have. */
const props = defineProps<{ session: JobSession; practice: Practice }>()
const { practising } = provideJob(props.session, props.practice)
const route = useRoute()
const place = computed(() => placeAt(route.path))
const closed = computed(() => practising && place.value !== null && !isPractised(place.value))
</script>

<template>
  <div class="job-room flex flex-col">
    <SaveTrouble />
    <StationWay />
    <AngleLedger />
    <PracticeLine v-if="practising" />
    <NextStepLine v-else />
    <StationSheets />
    <BenchPatterns />
    <ClosedSheet v-if="closed" :title="place!.sheet.title" />
    <NuxtPage v-else />
  </div>
</template>
