<script setup lang="ts">
import type { Recorded, RecordLog } from '#core/exchange/api/recordLog'
import { download } from '~/saving/download'

/** A record on paper and as files: its log as a table, and all of it as JSON. */
const props = defineProps<{
  of: Recorded
  record: { readonly id: string; readonly name: string }
  told: RecordLog | null
}>()
function saveJson() {
  const content = JSON.stringify({ [props.of]: props.record, ...props.told }, null, 2)
  download(`${props.record.name}, record.json`, content, 'application/json')
}
const print = () => window.print()
</script>

<template>
  <div class="flex flex-wrap gap-2 print:hidden">
    <UButton size="lg" color="neutral" variant="outline" icon="i-lucide-printer" label="Print" @click="print" />
    <UButton
      size="lg"
      color="neutral"
      variant="outline"
      icon="i-lucide-download"
      label="CSV"
      :to="`/api/record.csv?of=${of}&id=${record.id}`"
      external
      download
    />
    <UButton
      size="lg"
      color="neutral"
      variant="outline"
      icon="i-lucide-download"
      label="JSON"
      :disabled="!told"
      @click="saveJson"
    />
  </div>
</template>
