<script setup lang="ts">
import type { RigRecord } from '#core/records/storage/kinds'
import { useJob } from '~/job/useJob'
import { useDescribing } from '~/forms/useDescribing'
import { sheetPath } from '~/navigation/stations'

/** A rig described from inside a job, which is asked whether it takes it. */
const job = useJob()
const { from, copy, key, back } = useDescribing('rigs', sheetPath(job.id, 'rig'))
const described = shallowRef<RigRecord | null>(null)
const asked = computed(
  () =>
    described.value && {
      name: described.value.name,
      word: 'rig' as const,
      anew: described.value.id === job.content.value.rigId,
    },
)
async function done(rig: RigRecord) {
  const isOther = rig.id !== job.content.value.rigId
  // Measured anew without a figure changed, or another rig of the shelf measured anew: nothing for this job.
  if (isOther ? from.value && !copy.value : !job.rigMeasuredAnew.value) return back()
  described.value = rig
}
async function answered(takes: boolean) {
  if (takes && described.value) job.actions.chooseRig(described.value.id)
  described.value = null
  await back()
}
</script>

<template>
  <RigDescription :key="key" :from="from" :copy="copy" @done="done" @away="back" />
  <AskTake :record="asked" @answered="answered" />
</template>
