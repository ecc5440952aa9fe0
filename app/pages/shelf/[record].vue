<script setup lang="ts">
import type { Component } from 'vue'
import { BladeDescription, RigDescription } from '#components'
import { useDescribing } from '~/forms/useDescribing'
import { useCollections } from '~/stores/collections'
import { sheetPath } from '~/navigation/stations'

/** A rig or a blade described without a job; a blade that is described to start a job with starts it. */
const DESCRIBED: Record<'rig' | 'blade', { kind: 'rigs' | 'blades'; title: string; description: Component }> = {
  rig: { kind: 'rigs', title: 'Describe a rig', description: RigDescription },
  blade: { kind: 'blades', title: 'Describe a blade', description: BladeDescription },
}
definePageMeta({
  middleware: ({ params }) => (['rig', 'blade'].includes(String(params.record)) ? undefined : navigateTo('/shelf')),
})
const collections = useCollections()
const route = useRoute()
const router = useRouter()
const { kind, title, description } = DESCRIBED[route.params.record === 'rig' ? 'rig' : 'blade']
const starts = route.query.then === 'start'
const { from, copy, key, ready, back } = useDescribing(kind, starts ? '/start' : '/shelf')
async function done({ id }: { id: string }) {
  const job = starts && collections.canStart ? await collections.startJob(id) : null
  await (job ? router.replace(sheetPath(job.id, 'rig')) : back())
}
useHead({ title: `${title} · Jaw Tilt` })
</script>

<template>
  <main id="work" class="shelf-sheet mx-auto w-full max-w-[120rem] p-3">
    <h1 class="sr-only">{{ title }}</h1>
    <component :is="description" v-if="ready" :key="key" :from="from" :copy="copy" @done="done" @away="back" />
  </main>
</template>
