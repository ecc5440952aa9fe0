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
const from = computed(() => collections.rigs.find((rig) => rig.id === route.query.from) ?? null)
const back = () => router.push(stationPath(job.id!, 'rig'))
/** The job goes on with the rig that was just measured. */
async function done(rig: { id: string }) {
  actions.chooseRig(rig.id)
  await back()
}
</script>

<template>
  <main id="work" class="mx-auto grid w-full max-w-[120rem] flex-1 p-3 lg:h-[calc(100dvh-16.6rem)] lg:min-h-[32rem] lg:flex-none">
    <h1 class="sr-only">{{ from ? `Measure ${from.name}` : 'A new rig' }}</h1>
    <RigDescription :key="String(route.fullPath)" :from="from" :copy="route.query.copy === '1'" @done="done" @away="back" />
  </main>
</template>
