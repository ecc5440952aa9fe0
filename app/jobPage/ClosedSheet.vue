<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'

/** A sheet of the job itself, while a practice goes on. */
defineProps<{ title: string }>()
const job = useJob()
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-[120rem] flex-1 p-3">
    <h1 class="sr-only">{{ title }}</h1>
    <SheetPane labelledby="closed" class="max-w-2xl space-y-2">
      <h2 id="closed" class="text-lg font-semibold">Not during a practice</h2>
      <p>
        A practice goes on with a blade that is not there. This sheet is about the job itself, which stays as it is.
      </p>
      <div class="flex flex-wrap gap-3">
        <UButton :to="sheetPath(job.id, 'mark', 'practice')" size="lg" label="To the practice" />
        <UButton color="neutral" variant="outline" size="lg" label="Leave the practice" @click="job.practice.end" />
      </div>
    </SheetPane>
  </main>
</template>
