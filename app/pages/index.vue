<script setup lang="ts">
import { useWords } from '~/composables/useWords'
import { useLog } from '~/stores/log'
import { useCollections } from '~/stores/collections'

const collections = useCollections()
const words = useWords()
const problem = computed(() => (collections.problem ? words.problem(collections.problem) : ''))
useHead({ title: 'Jaw Tilt' })
const log = useLog()
onMounted(() => collections.loaded && Promise.all([collections.load(), log.load()]))
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-5xl px-4 py-6">
    <template v-if="collections.loaded">
      <div class="mb-4 flex items-end justify-between gap-4">
        <h1 class="text-2xl font-semibold">On the bench</h1>
        <div class="flex gap-2">
          <UButton to="/shelf" color="neutral" variant="outline" size="xl" icon="i-lucide-library" label="The shelf" />
          <UButton v-if="collections.canStart" size="xl" icon="i-lucide-plus" label="Start a job" to="/start" />
        </div>
      </div>
      <ul v-if="collections.recentJobs.length > 0" class="pane divide-y divide-default p-0">
        <JobRow v-for="job in collections.recentJobs" :key="job.id" :job="job" />
      </ul>
      <div v-else-if="collections.canStart" class="pane p-8">
        <p class="text-lg">No job is on the bench.</p>
        <p class="mt-1 text-muted">A job is one blade in one rig: start one, and it is kept as you go.</p>
      </div>
      <EmptyStart v-else />
      <JobsPutAway />
      <SampleRoom v-if="collections.samples > 0 || !collections.canStart" class="mt-3" />
      <UnreadableThings />
      <p v-if="problem" role="alert" class="mt-3 text-error">{{ problem }}</p>
    </template>
    <div v-else-if="problem" role="alert">
      <p class="text-error">{{ problem }}</p>
      <UButton class="mt-4" size="lg" label="Try again" @click="collections.load()" />
    </div>
    <p v-else class="text-muted" aria-busy="true">Laying out the bench…</p>
  </main>
</template>
