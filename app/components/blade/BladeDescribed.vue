<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { useDescribing } from '~/describing/useDescribing'

const { actions } = useJob()
const { from, copy, key, back } = useDescribing('blades', 'blade')
/** The job goes on with the blade that was just measured. */
async function done(measured: { id: string }) {
  actions.chooseBlade(measured.id)
  await back()
}
</script>

<template>
  <BladeDescription :key="key" :from="from" :copy="copy" @done="done" @away="back" />
</template>
