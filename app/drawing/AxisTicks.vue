<script setup lang="ts">
import type { Frame, Tick } from './axes'

/** Round values along the bottom or the left of a frame, with fine lines across it where `grid` asks for them. */
withDefaults(
  defineProps<{ frame: Frame; side: 'bottom' | 'left'; ticks: readonly Tick[]; below?: number; grid?: boolean }>(),
  {
    below: 18,
    grid: true,
  },
)
</script>

<template>
  <g v-for="tick in ticks" :key="tick.text">
    <template v-if="side === 'left'">
      <line v-if="grid" :x1="frame.x" :y1="tick.at" :x2="frame.x + frame.width" :y2="tick.at" />
      <text :x="frame.x - 7" :y="tick.at + 5" text-anchor="end">{{ tick.text }}</text>
    </template>
    <template v-else>
      <line v-if="grid" :x1="tick.at" :y1="frame.y" :x2="tick.at" :y2="frame.y + frame.height" />
      <text :x="tick.at" :y="frame.y + frame.height + below" text-anchor="middle">{{ tick.text }}</text>
    </template>
  </g>
</template>

<style scoped>
line {
  stroke: var(--rule-fine);
}
text {
  fill: var(--ink);
  font-size: 14px;
}
</style>
