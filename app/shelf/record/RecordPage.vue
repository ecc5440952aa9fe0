<script setup lang="ts">
import type { Recorded, RecordLog } from '#core/exchange/api/recordLog'

/** The page of a record: what it is of, as files, and whether it could be loaded. */
defineProps<{
  of: Recorded
  record: { readonly id: string; readonly name: string } | null
  told: RecordLog | null
  failed: boolean
}>()
const emit = defineEmits<{ again: [] }>()
</script>

<template>
  <main id="work" class="mx-auto w-full max-w-4xl px-4 py-6">
    <div class="mb-4 flex flex-wrap items-end justify-between gap-2">
      <h1 class="text-2xl font-semibold wrap-anywhere">{{ record?.name ?? 'Record' }}</h1>
      <div class="flex flex-wrap gap-2">
        <UButton to="/shelf" color="neutral" variant="outline" size="lg" label="The shelf" icon="i-lucide-arrow-left" />
        <RecordFiles v-if="record" :of="of" :record="record" :told="told" />
      </div>
    </div>
    <p v-if="failed" role="alert" class="text-error">
      The record could not be loaded.
      <button type="button" class="text-link" @click="emit('again')">Try again</button>
    </p>
    <p v-else-if="!record || !told" class="text-muted" aria-busy="true">Loading…</p>
    <div v-else class="print-sheet space-y-3">
      <h2 class="hidden text-xl font-semibold print:block">{{ record.name }}</h2>
      <slot :told="told" />
    </div>
  </main>
</template>
