<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { useDescribing } from '~/describing/useDescribing'
import { sheetPath } from '~/stations'

const job = useJob()
const { actions } = job
const { from, copy, key, back } = useDescribing('blades', sheetPath(job.id, 'blade'))
/** The job goes on with the blade that was just measured. */
async function done(measured: { id: string }) {
  actions.chooseBlade(measured.id)
  await back()
}
</script>

<template>
  <BladeDescription :key="key" :from="from" :copy="copy" @done="done" @away="back" />
</template>
