<script setup lang="ts">
import type { OwnerRecord } from '#core/records/storage/kinds'

/** An owner is described beside the page. `name`: of one that is new. */
defineProps<{ from: OwnerRecord | null; name?: string }>()
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ done: [kept: OwnerRecord] }>()
function done(kept: OwnerRecord) {
  open.value = false
  emit('done', kept)
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="from?.name ?? 'A new owner'"
    :description="from ? 'A name that is changed here is changed on their blades.' : 'A person, or an account.'"
    :ui="{ content: 'max-w-lg' }"
  >
    <template #body><OwnerEntry v-if="open" :from="from" :name="name" @done="done" /></template>
  </USlideover>
</template>
