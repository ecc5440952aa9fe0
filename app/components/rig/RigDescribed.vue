<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { useDescribing } from '~/describing/useDescribing'
import { sheetPath } from '~/stations'

const job = useJob()
const { actions } = job
const { from, copy, key, back } = useDescribing('rigs', sheetPath(job.id, 'rig'))
/** The job goes on with the rig that was just measured. */
async function done(measured: { id: string }) {
  actions.chooseRig(measured.id)
  await back()
}
</script>

<template>
  <RigDescription :key="key" :from="from" :copy="copy" @done="done" @away="back" />
</template>
