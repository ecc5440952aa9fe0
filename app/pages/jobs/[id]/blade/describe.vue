<script setup lang="ts">
import { useBenchActions } from '~/composables/useBenchActions'
import { stationPath } from '~/stations'
import { useCollections } from '~/stores/collections'
import { useJob } from '~/stores/job'

const route = useRoute()
const router = useRouter()
const job = useJob()
const collections = useCollections()
const actions = useBenchActions()
const from = computed(() => collections.blades.find((blade) => blade.id === route.query.from) ?? null)
const back = () => router.push(stationPath(job.id!, 'blade'))
async function done(blade: { id: string }) {
  actions.chooseBlade(blade.id)
  await back()
}
</script>

<template>
  <main id="work" class="mx-auto grid w-full max-w-[120rem] flex-1 p-3 lg:h-[calc(100dvh-13.6rem)] lg:min-h-[32rem] lg:flex-none">
    <h1 class="sr-only">{{ from ? `Measure ${from.name}` : 'A new blade' }}</h1>
    <BladeDescription :key="String(route.fullPath)" :from="from" :copy="route.query.copy === '1'" @done="done" @away="back" />
  </main>
</template>
