<script setup lang="ts">
import type { KeptJob } from '#core/kept/things'
import { useCollections } from '~/stores/collections'
import { momentText } from '~/words/momentText'

/** Jobs that were taken off the bench, newest first: looked into, or put back. */
const collections = useCollections()
const away = computed(() => collections.jobsByTime.filter((job) => job.archivedAt !== null))
const bladeOf = (job: KeptJob) => collections.blades.find((one) => one.id === job.bladeId)?.name ?? ''
</script>

<template>
  <details v-if="away.length > 0" class="pane mt-3 px-4 py-2">
    <summary class="cursor-pointer py-1">Off the bench: {{ away.length }}</summary>
    <ul>
      <li
        v-for="job in away"
        :key="job.id"
        class="flex items-center justify-between gap-3 border-t border-default py-1.5"
      >
        <span class="min-w-0"
          ><ThingName class="block truncate" kind="jobs" :thing="job" /><span class="block truncate text-sm text-muted"
            >{{ bladeOf(job) }} · put away {{ momentText(job.archivedAt!) }}</span
          ></span
        ><UButton
          color="neutral"
          variant="outline"
          label="Put back"
          :aria-label="`Put ${job.name} back on the bench`"
          @click="() => void collections.shelve(job, false)"
        />
      </li>
    </ul>
  </details>
</template>
