<script setup lang="ts">
import { useBenchActions } from '~/composables/useBenchActions'
import { useDescribing } from '~/describing/useDescribing'

const actions = useBenchActions()
const { from, copy, key, back } = useDescribing('blades', 'blade')
/** The job goes on with the blade that was just measured. */
async function done(measured: { id: string }) {
  actions.chooseBlade(measured.id)
  await back()
}
</script>

<template>
  <main
    id="work"
    class="mx-auto grid w-full max-w-[120rem] flex-1 p-3 lg:h-[calc(100dvh-13.6rem)] lg:min-h-[32rem] lg:flex-none"
  >
    <h1 class="sr-only">{{ from ? `Measure ${from.name}` : 'A new blade' }}</h1>
    <BladeDescription :key="key" :from="from" :copy="copy" @done="done" @away="back" />
  </main>
</template>
