<script setup lang="ts">
import { JOBS_AT_ONCE } from '#core/kept/lists'
import type { KeptJob } from '#core/kept/things'
import { useCollections } from '~/stores/collections'
import { momentText } from '~/words/momentText'

/** Jobs that were taken off the bench, newest first, all or those in which words are found: put back from here. */
const props = defineProps<{ search: string }>()
const collections = useCollections()
const found = shallowRef({ ids: [] as readonly string[], total: 0, next: null as string | null })
const opened = ref(false)
async function look(from: string | null) {
  const { search } = props
  // Shut, only how many there are is shown.
  const page = await collections.findJobs({ away: true, search, from, limit: opened.value ? JOBS_AT_ONCE : 1 })
  // What is off the bench is not missed at once: it is looked for again with the next change.
  if (!page.ok || search !== props.search) return
  const ids = page.value.things.map(({ id }) => id)
  found.value = { ...page.value, ids: from === null ? ids : [...found.value.ids, ...ids] }
}
// The bench and what is off it change together.
watch([() => props.search, () => collections.bench.total, opened], () => void look(null), { immediate: true })
const away = computed(() =>
  found.value.ids.flatMap((id) => collections.jobs.find((job) => job.id === id && job.archivedAt !== null) ?? []),
)
const bladeOf = (job: KeptJob) => collections.blades.find((one) => one.id === job.bladeId)?.name ?? ''
</script>

<template>
  <details
    v-if="found.total > 0"
    class="pane mt-3 px-4 py-2"
    @toggle="opened = ($event.currentTarget as HTMLDetailsElement).open"
  >
    <summary class="cursor-pointer py-1">Off the bench: {{ found.total }}</summary>
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
    <UButton
      v-if="found.next"
      color="neutral"
      variant="ghost"
      size="lg"
      :label="`Show more, ${found.total - found.ids.length} are left`"
      @click="() => void look(found.next)"
    />
  </details>
</template>
