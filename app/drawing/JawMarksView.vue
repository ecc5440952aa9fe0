<script setup lang="ts">
import type { JawMarks } from './jawMarks'
import { lineOf } from './viewport'

/**
 * Marks along the jaws, and the line of the blade that is laid on one. `bladeTransform`: from the blade's frame to
 * pixels.
 */
defineProps<{ view: JawMarks; bladeTransform: string }>()
</script>

<template>
  <g class="jaw-marks">
    <line v-if="view.landmark" v-bind="lineOf(view.landmark)" :transform="bladeTransform" class="landmark" />
    <g v-for="(mark, i) in view.marks" :key="i" :transform="`translate(${mark.at[0]} ${mark.at[1]})`"
      ><line y2="9" class="mark" /><text y="21" text-anchor="middle">{{ mark.name }}</text></g
    >
  </g>
</template>

<style scoped>
.jaw-marks {
  pointer-events: none;
}
.landmark {
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-dasharray: 2 3;
  vector-effect: non-scaling-stroke;
}
.mark {
  stroke: var(--ink);
  stroke-width: 2;
}
text {
  fill: var(--ink);
  font-size: 12px;
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
</style>
