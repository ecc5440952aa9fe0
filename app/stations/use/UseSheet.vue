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
      <SheetPane v-if="!job.practising" labelledby="use-pictures">
        <h2 id="use-pictures" class="text-lg font-semibold">Pictures of the blade</h2>
        <BladePhotos :blade-id="job.content.value.bladeId" :name="job.blade.value.name" />
      </SheetPane>
    </div>
    <div v-if="!job.practising" class="panes content-start">
      <NextAnglePane />
      <EdgeLifePane />
    </div>
  </div>
</template>
