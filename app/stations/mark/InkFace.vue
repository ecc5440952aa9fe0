<script setup lang="ts">
import { picturedSpans } from '#core/observe/marker/pictured'
import type { Observed } from '~/composables/useInk'

/** A stretch of the bevel, shoulder above and edge below: ink dark, steel bare. */
const props = defineProps<{ observed: Observed | null }>()
const bare = computed(() => (props.observed ? picturedSpans(props.observed.seen, props.observed.fraction) : []))
</script>

<template>
  <svg class="ink-face block h-full w-full" viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
    <rect class="flat" x="0" y="0" width="100" height="22" />
    <rect v-if="observed?.seen === 'above'" class="bare" x="0" y="8" width="100" height="14" />
    <rect class="inked" :class="{ unsaid: !observed }" x="0" y="22" width="100" height="70" />
    <rect
      v-for="([from, to], i) in bare"
      :key="i"
      class="bare"
      x="0"
      :y="22 + 70 * from"
      width="100"
      :height="70 * (to - from)"
    />
    <line class="edge" x1="0" x2="100" y1="92" y2="92" />
  </svg>
</template>

<style scoped>
.flat {
  fill: var(--steel);
}
.inked {
  fill: var(--ink);
}
.inked.unsaid {
  opacity: 0.28;
}
.bare {
  fill: var(--sheet);
  stroke: var(--steel-line);
  stroke-width: 0.8;
  vector-effect: non-scaling-stroke;
}
.edge {
  stroke: var(--ink);
  stroke-width: 3;
  vector-effect: non-scaling-stroke;
}
</style>
