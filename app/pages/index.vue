<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { STANDINGS, type Standing } from '#core/use/standing'
import { useFoundPart } from '~/composables/useFoundPart'
import { STANDING_WORD } from '~/words/standingText'
import { useWords } from '~/words/useWords'
import { useLog } from '~/stores/log'
import { useCollections } from '~/stores/collections'
import { useToday } from '~/stores/today'

const collections = useCollections()
const words = useWords()
const problem = computed(() => (collections.problem ? words.problem(collections.problem) : ''))
useHead({ title: 'Jaw Tilt' })
/** No owner has no name. */
const EVERYONE = ' '
const log = useLog()
const today = useToday()
onMounted(today.load)
onMounted(() => collections.loaded && Promise.all([collections.load(), log.load()]))

/** What is looked for, once the typing has come to rest. */
const sought = ref('')
const search = refDebounced(sought, 200)
const standing = ref<Standing | 'any'>('any')
const owner = ref(EVERYONE)
const standings = [
  { value: 'any' as const, label: 'Wherever they stand' },
  ...STANDINGS.map((value) => ({ value, label: STANDING_WORD[value] })),
]
const owners = computed(() => [
  { value: EVERYONE, label: 'Everyone’s' },
  ...collections.owners.filter((one) => !one.archivedAt).map(({ name }) => ({ value: name, label: name })),
])
const isFiltered = computed(() => search.value.trim() !== '' || standing.value !== 'any' || owner.value !== EVERYONE)
const asked = computed(() => ({
  away: false,
  search: search.value.trim(),
  standing: standing.value === 'any' ? ('' as const) : standing.value,
  owner: owner.value === EVERYONE ? '' : owner.value,
}))
const {
  part: found,
  ids,
  problem: notFound,
  left,
  more,
} = useFoundPart(
  collections.findJobs,
  () => (isFiltered.value ? asked.value : null),
  () => collections.bench.total,
)
const shown = computed(() => {
  if (!found.value) return collections.recentJobs
  return ids.value.flatMap((id) => collections.jobs.find((job) => job.id === id && !job.archivedAt) ?? [])
})
const part = computed(() =>
  found.value
    ? { ...found.value, left: left.value }
    : { ...collections.bench, left: collections.bench.total - shown.value.length },
)
const showMore = () => (found.value ? more() : void collections.showMore())
/** Fewer than these are seen at a glance. */
const FEW = 9
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-5xl px-4 py-6">
    <template v-if="collections.loaded && today.asked">
      <div class="mb-4 flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
        <h1 class="text-2xl font-semibold">On the bench</h1>
        <div class="flex flex-wrap gap-2">
          <UButton
            v-if="owners.length > 1"
            to="/owners"
            color="neutral"
            variant="outline"
            size="xl"
            icon="i-lucide-users"
            label="Owners"
          />
          <UButton to="/shelf" color="neutral" variant="outline" size="xl" icon="i-lucide-library" label="The shelf" />
          <UButton
            v-if="collections.canStart"
            size="xl"
            icon="i-lucide-plus"
            label="Start a job"
            to="/start"
            class="max-sm:order-first"
          />
        </div>
      </div>
      <TodayPane />
      <div
        v-if="collections.bench.total > FEW || collections.bench.elsewhere > FEW || isFiltered || sought !== ''"
        class="mb-3 grid gap-2 sm:grid-cols-[minmax(0,1fr)_auto_auto]"
      >
        <UInput
          v-model="sought"
          size="xl"
          icon="i-lucide-search"
          placeholder="Job, blade, owner or rig"
          aria-label="Find a job"
        />
        <USelect v-model="standing" :items="standings" size="xl" aria-label="Where the job stands" class="sm:w-56" />
        <USelect
          v-if="owners.length > 1"
          v-model="owner"
          :items="owners"
          size="xl"
          aria-label="Whose job it is"
          class="sm:w-48"
        />
      </div>
      <p v-if="notFound" role="alert" class="mb-3 text-error">{{ words.problem(notFound) }}</p>
      <template v-if="shown.length > 0">
        <ul class="pane divide-y divide-default p-0" aria-label="Jobs on the bench">
          <JobRow v-for="job in shown" :key="job.id" :job="job" />
        </ul>
        <UButton
          v-if="part.next"
          class="mt-3"
          color="neutral"
          variant="outline"
          size="xl"
          :label="`Show more, ${part.left} are left`"
          @click="showMore"
        />
      </template>
      <p v-else-if="found" role="status" class="pane p-6 text-lg">No job on the bench is like that.</p>
      <div v-else-if="collections.canStart" class="pane p-8">
        <p class="text-lg">No job is on the bench.</p>
        <p class="mt-1 text-muted">A job is one blade in one rig. Start one: it is saved as you go.</p>
      </div>
      <EmptyStart v-else />
      <ArchivedJobs :search="search.trim()" />
      <SampleRoom v-if="collections.samples > 0 || !collections.canStart" class="mt-3" />
      <p class="mt-4 text-sm">
        <NuxtLink class="text-link" to="/glossary">Glossary: the words of the trade</NuxtLink>
      </p>
      <UnreadableThings />
      <p v-if="problem" role="alert" class="mt-3 text-error">{{ problem }}</p>
    </template>
    <div v-else-if="problem" role="alert">
      <p class="text-error">{{ problem }}</p>
      <UButton class="mt-4" size="lg" label="Try again" @click="collections.load()" />
    </div>
    <p v-else class="text-muted" aria-busy="true">Loading…</p>
  </main>
</template>
