<script setup lang="ts">
import type { AngleId } from '~/navigation/stations'

/** The mark of each of the four angles: told apart by shape as well as by colour. */
defineProps<{ angle: AngleId }>()
</script>

<template>
  <svg viewBox="0 0 20 20" class="size-5 shrink-0" aria-hidden="true" :style="{ color: `var(--angle-${angle})` }">
    <template v-if="angle === 'wanted'">
      <circle cx="10" cy="10" r="7" fill="none" stroke="currentColor" stroke-width="2.4" />
      <circle cx="10" cy="10" r="2" fill="currentColor" />
    </template>
    <path v-else-if="angle === 'set'" d="M2 16.5h16L13.5 3.5z" fill="currentColor" />
    <template v-else-if="angle === 'read'">
      <rect x="1.5" y="6" width="17" height="8" rx="4" fill="none" stroke="currentColor" stroke-width="2.2" />
      <circle cx="11.5" cy="10" r="2.3" fill="currentColor" />
    </template>
    <path v-else d="M10 1.8 18.2 10 10 18.2 1.8 10z" fill="none" stroke="currentColor" stroke-width="2.4" />
  </svg>
</template>
