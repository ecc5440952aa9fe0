<script setup lang="ts">
import { provideJob } from '~/job/provideJob'
import type { JobSession } from '~/job/session'

/** The frame of a job's pages, and the job that they all have. */
const props = defineProps<{ session: JobSession }>()
provideJob(props.session)
</script>

<template>
  <div class="job-room flex flex-col">
    <SaveTrouble />
    <StationWay />
    <AngleLedger />
    <NextStepLine />
    <StationSheets />
    <BenchPatterns />
    <NuxtPage />
  </div>
</template>
