<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { placeAt, sheetPath } from '~/navigation/stations'
import { usePractice } from '~/stations/mark/practice/usePractice'
import { LEVEL_TEXT, passesText } from '~/words/inkText'

/** That a practice goes on, on every page of the job until it is ended, in the place of the next step. */
const job = useJob()
const practice = usePractice()
const route = useRoute()
const isMark = computed(() => placeAt(route.path)?.room.id === 'mark')
</script>

<template>
  <div class="border-b border-inverted bg-elevated px-3 py-1.5 sm:px-4" role="status" data-testid="practice-line">
    <div class="mx-auto flex max-w-[120rem] min-w-0 flex-wrap items-center gap-x-4 gap-y-1">
      <span class="min-w-0 grow basis-64"
        ><b>Practice{{ practice.level.value && `, ${LEVEL_TEXT[practice.level.value].word.toLowerCase()}` }}:</b> a
        hidden blade, not the one in the jaws, {{ passesText(practice.passes.value) }}. The job stays as it is.</span
      >
      <NuxtLink v-if="!isMark" class="text-link shrink-0" :to="sheetPath(job.id, 'mark')">Marker test</NuxtLink>
      <NuxtLink class="text-link shrink-0" :to="sheetPath(job.id, 'mark', 'practice')">End the practice</NuxtLink>
    </div>
  </div>
</template>
