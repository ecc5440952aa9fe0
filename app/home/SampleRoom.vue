<script setup lang="ts">
import { useCollections } from '~/stores/collections'

/** The samples, an offer: laid out beside what is the user's own, and taken away together. */
const collections = useCollections()
const toast = useToast()
const busy = ref(false)
const done = async (act: () => Promise<unknown>) => {
  busy.value = true
  await act()
  busy.value = false
}
const layOut = () => done(collections.plantSamples)
const takeAway = () =>
  done(async () => {
    const bringBack = await collections.removeSamples()
    if (!bringBack) return
    const stay = collections.samples
    toast.add({
      title: 'Samples removed',
      description: stay > 0 ? `${stay} stay: jobs of your own go on with them.` : undefined,
      duration: 30_000,
      actions: [{ label: 'Undo', onClick: () => void bringBack() }],
    })
  })
</script>

<template>
  <section class="pane flex flex-wrap items-center justify-between gap-3 px-4 py-3" aria-label="Samples">
    <p class="min-w-60 flex-1 text-sm text-muted">
      {{
        collections.samples > 0
          ? 'What is marked “sample” belongs to the made-up tool room of a botanic garden. Copies, and jobs you start, are your own.'
          : 'To look round: the made-up tool room of a botanic garden, four rigs, thirteen blades, eight stones, two instruments and two owners, marked “sample”.'
      }}
    </p>
    <UButton
      v-if="collections.samples > 0"
      color="neutral"
      variant="outline"
      label="Remove the samples"
      :loading="busy"
      @click="takeAway"
    />
    <UButton v-else color="neutral" variant="outline" label="Add the samples" :loading="busy" @click="layOut" />
  </section>
</template>
