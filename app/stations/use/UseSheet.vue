<script setup lang="ts">
import { useJob } from '~/job/useJob'

/** The edge goes to use, what became of it, and what its blade gets next. */
const job = useJob()
</script>

<template>
  <div class="panes lg:grid-cols-2">
    <div class="panes content-start">
      <PutToUse />
      <AfterUse v-if="!job.practising" />
    </div>
    <div v-if="!job.practising" class="panes content-start">
      <NextAnglePane />
      <EdgeLifePane />
    </div>
  </div>
</template>
