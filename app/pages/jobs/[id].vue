<script setup lang="ts">
import { useBench } from '~/composables/useBench'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'

const route = useRoute()
const job = useJob()
const collections = useCollections()
const bench = useBench()
watch(
  () => String(route.params.id),
  (id) => void job.open(id),
  { immediate: true },
)
onBeforeUnmount(() => job.close())
const ready = computed(() => collections.loaded && job.content !== null && bench.setup.value !== null)
useHead({ title: computed(() => (job.content ? `${job.content.name} · Jaw Tilt` : 'Jaw Tilt')) })
</script>

<template>
  <div class="flex min-h-[calc(100dvh-3.0625rem)] flex-col">
    <template v-if="ready">
      <SaveTrouble />
      <StationWay />
      <AngleLedger />
      <StationSheets />
      <BenchPatterns />
      <NuxtPage />
    </template>
    <main v-else-if="job.missing || collections.problem" id="work" class="mx-auto max-w-lg p-8">
      <h1 class="text-xl font-semibold">
        {{ job.missing ? 'This job is not on the bench' : 'The bench cannot be shown' }}
      </h1>
      <p class="mt-2">{{ job.missing ? 'It may have been made in another data folder.' : collections.problem }}</p>
      <UButton class="mt-4" size="lg" to="/" label="All jobs" />
    </main>
    <main v-else id="work" class="p-8 text-muted" aria-busy="true">Laying out the bench…</main>
  </div>
</template>
