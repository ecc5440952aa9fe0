<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { useDescribing } from '~/describing/useDescribing'

const { actions } = useJob()
const { from, copy, key, back } = useDescribing('rigs', 'rig')
/** The job goes on with the rig that was just measured. */
async function done(measured: { id: string }) {
  actions.chooseRig(measured.id)
  await back()
}
</script>

<template>
  <RigDescription :key="key" :from="from" :copy="copy" @done="done" @away="back" />
</template>
