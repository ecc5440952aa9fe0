<script setup lang="ts">
/** A figure at a point of a drawing, framed so that it can be read over lines; its colour is its parent's. */
defineProps<{ x: number; y: number; text: string }>()
</script>

<template>
  <g :transform="`translate(${x} ${y})`" class="figure-tag">
    <rect x="-40" y="-17" width="80" height="34" rx="3" />
    <text y="8" text-anchor="middle">{{ text }}</text>
  </g>
</template>

<style scoped>
.figure-tag {
  pointer-events: none;
}
rect {
  fill: var(--sheet);
  stroke: currentColor;
  stroke-width: 1.4;
}
text {
  fill: currentColor;
  font-size: 23px;
  font-weight: 700;
}
</style>
