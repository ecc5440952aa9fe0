<script setup lang="ts">
import { fetchSheetView } from '~/jobPage/sheetViews'
import { missingOf } from '~/job/state'
import { useCollections } from '~/stores/collections'
import { useOpenJob } from '~/job/openJob'
import { usePreferences } from '~/stores/preferences'
import { problemText } from '~/words/problemText'

/** The door of a job: inside, everything that the job needs is there. It stays while one job is left for another. */
definePageMeta({ key: 'job' })
const route = useRoute()
// Beside what the sheet shows, not after it.
fetchSheetView(route.path)
const open = useOpenJob()
const collections = useCollections()
const preferences = usePreferences()
watch(
  () => String(route.params.id),
  (id) => void open.open(id),
  { immediate: true },
)
onBeforeUnmount(() => open.close())
// What was fetched anew may be newer than what stands here.
watch(
  () => collections.jobs.find((job) => job.id === open.session?.id)?.revision,
  (revision) => revision !== undefined && void open.session?.heard(revision),
)
const missing = computed(() =>
  collections.loaded && open.session ? missingOf(open.session.content.value, collections) : null,
)
const trouble = computed(() => {
  if (open.problem?.code === 'no-such-record')
    return { title: 'This job is not on the bench', text: 'It may have been made in another data folder.' }
  const problem = open.problem ?? (collections.loaded ? null : collections.problem)
  if (problem) return { title: 'The bench cannot be shown', text: problemText(problem, preferences.unit) }
  if (missing.value)
    return { title: 'This job cannot be shown', text: `Its ${missing.value} is not here, or cannot be read.` }
  return null
})
useHead({ title: 'Jaw Tilt' })
</script>

<template>
  <main v-if="trouble" id="work" class="mx-auto max-w-lg p-8">
    <h1 class="text-xl font-semibold">{{ trouble.title }}</h1>
    <p class="mt-2">{{ trouble.text }}</p>
    <UButton class="mt-4" size="lg" to="/" label="All jobs" />
  </main>
  <JobRoom v-else-if="collections.loaded && open.session" :key="open.session.id" :session="open.session" />
  <main v-else id="work" class="p-8 text-muted" aria-busy="true">Loading…</main>
</template>
