<script setup lang="ts">
import type { StationState } from '#core/process/steps/stationStates'

/** How a station stands, told by shape: the next one in the accent colour. */
defineProps<{ state: StationState['is']; next: boolean }>()
</script>

<template>
  <svg viewBox="0 0 20 20" class="size-5 shrink-0" aria-hidden="true">
    <path v-if="next" d="M2.5 3h9l6.5 7-6.5 7h-9z" fill="var(--accent)" />
    <template v-else-if="state === 'done'">
      <circle cx="10" cy="10" r="8.5" fill="var(--ink-soft)" />
      <path d="m6 10.2 2.8 2.8L14.2 7.4" fill="none" stroke="var(--sheet)" stroke-width="2" />
    </template>
    <template v-else-if="state === 'out-of-date'">
      <circle cx="10" cy="10" r="7.5" fill="none" stroke="var(--ink-soft)" stroke-width="1.8" />
      <path d="M10 5.5v5.5m0 2.2v1.6" stroke="var(--ink-soft)" stroke-width="2" />
    </template>
    <template v-else-if="state === 'under-way'">
      <circle cx="10" cy="10" r="7.5" fill="none" stroke="var(--ink-soft)" stroke-width="1.8" />
      <path d="M10 2.5a7.5 7.5 0 0 1 0 15z" fill="var(--ink-soft)" />
    </template>
    <template v-else-if="state === 'left-out'">
      <circle cx="10" cy="10" r="7.5" fill="none" stroke="var(--ink-soft)" stroke-width="1.8" />
      <path d="M4.7 15.3 15.3 4.7" stroke="var(--ink-soft)" stroke-width="1.8" />
    </template>
    <circle v-else-if="state === 'not-needed'" cx="10" cy="10" r="2.5" fill="var(--ink-soft)" />
    <circle
      v-else
      cx="10"
      cy="10"
      r="7.5"
      fill="none"
      stroke="var(--ink-soft)"
      stroke-width="1.8"
      stroke-dasharray="3 2.4"
    />
  </svg>
</template>
