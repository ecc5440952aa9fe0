<script setup lang="ts">
import { LISTED_AT_ONCE } from '#core/exchange/api/lists'
import type { JobRecord } from '#core/records/storage/kinds'
import { useFoundPart } from '~/composables/useFoundPart'
import { useCollections } from '~/stores/collections'
import { momentText } from '~/words/momentText'

/** Jobs that were taken off the bench, newest first, all or those in which words are found: put back from here. */
const props = defineProps<{ search: string }>()
const collections = useCollections()
const opened = ref(false)
// Shut, only how many there are is shown. The bench and what is off it change together.
const { part, ids, left, more } = useFoundPart(
  collections.findJobs,
  () => ({ away: true, search: props.search, limit: opened.value ? LISTED_AT_ONCE : 1 }),
  () => collections.bench.total,
)
const away = computed(() =>
  ids.value.flatMap((id) => collections.jobs.find((job) => job.id === id && job.archivedAt !== null) ?? []),
)
const bladeOf = (job: JobRecord) => collections.blades.find((one) => one.id === job.bladeId)?.name ?? ''
</script>

<template>
  <details
    v-if="part && part.total > 0"
    class="pane mt-3 px-4 py-2"
    @toggle="opened = ($event.currentTarget as HTMLDetailsElement).open"
  >
    <summary class="cursor-pointer py-1">Archived: {{ part.total }}</summary>
    <ul>
      <li
        v-for="job in away"
        :key="job.id"
        class="flex items-center justify-between gap-3 border-t border-default py-1.5"
      >
        <span class="min-w-0"
          ><RecordTitle class="block wrap-anywhere" kind="jobs" :record="job" /><span
            class="block text-sm wrap-anywhere text-muted"
            >{{ bladeOf(job) }} · archived {{ momentText(job.archivedAt!) }}</span
          ></span
        ><UButton
          class="shrink-0"
          color="neutral"
          variant="outline"
          label="Unarchive"
          :aria-label="`Unarchive ${job.name}`"
          @click="() => void collections.shelve(job, false)"
        />
      </li>
    </ul>
    <UButton
      v-if="opened && part.next"
      color="neutral"
      variant="ghost"
      size="lg"
      :label="`Show more, ${left} are left`"
      @click="more"
    />
  </details>
</template>
