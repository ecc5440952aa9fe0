<script setup lang="ts">
import type { BladeRecord } from '#core/records/storage/kinds'
import { useJob } from '~/job/useJob'
import { useDescribing } from '~/forms/useDescribing'
import { sheetPath } from '~/navigation/stations'

/** A blade described from inside a job, which is asked whether it takes a new one. */
const job = useJob()
const { from, copy, key, ready, back } = useDescribing('blades', sheetPath(job.id, 'blade'))
const described = shallowRef<BladeRecord | null>(null)
const asked = computed(() => described.value && { name: described.value.name, word: 'blade' as const, anew: false })
async function done(blade: BladeRecord) {
  // What was measured anew counts wherever the blade is used.
  if (from.value && !copy.value) return back()
  described.value = blade
}
async function answered(takes: boolean) {
  if (takes && described.value) job.actions.chooseBlade(described.value.id)
  described.value = null
  await back()
}
</script>

<template>
  <BladeDescription v-if="ready" :key="key" :from="from" :copy="copy" @done="done" @away="back" />
  <AskTake :record="asked" @answered="answered" />
</template>
