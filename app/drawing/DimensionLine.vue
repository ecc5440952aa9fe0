<script setup lang="ts">
import type { Dimension } from './dimension'

/** A dimension line with its figure. Pressing the figure puts the keyboard on the field where it can be typed. */
const props = defineProps<{ dimension: Dimension; text: string; focus?: string; labelShift?: [number, number] }>()
const label = computed(
  () =>
    [
      props.dimension.label[0] + (props.labelShift?.[0] ?? 0),
      props.dimension.label[1] + (props.labelShift?.[1] ?? 0),
    ] as const,
)
const width = computed(() => props.text.length * 7.6 + 10)
const type = () => props.focus && document.querySelector<HTMLInputElement>(`[data-focus="${props.focus}"]`)?.focus()
</script>

<template>
  <g class="dimension">
    <line
      :x1="dimension.from[0]"
      :y1="dimension.from[1]"
      :x2="dimension.lineFrom[0]"
      :y2="dimension.lineFrom[1]"
      class="extension"
    />
    <line
      :x1="dimension.to[0]"
      :y1="dimension.to[1]"
      :x2="dimension.lineTo[0]"
      :y2="dimension.lineTo[1]"
      class="extension"
    />
    <line
      :x1="dimension.lineFrom[0]"
      :y1="dimension.lineFrom[1]"
      :x2="dimension.lineTo[0]"
      :y2="dimension.lineTo[1]"
      class="line"
      :marker-start="dimension.cramped ? undefined : 'url(#arrow)'"
      :marker-end="dimension.cramped ? undefined : 'url(#arrow)'"
    />
    <!-- Moved as a whole: a figure that stays the same is not set anew. -->
    <g :transform="`translate(${label[0]} ${label[1]})`" :style="{ cursor: focus ? 'text' : 'default' }" @click="type">
      <rect :x="-width / 2" y="-10" :width="width" height="20" rx="2" class="ground" />
      <text y="5" text-anchor="middle">{{ text }}</text>
    </g>
  </g>
</template>

<style scoped>
.line {
  stroke: var(--ink);
  stroke-width: 1;
}
.extension {
  stroke: var(--ink-soft);
  stroke-width: 0.8;
}
.ground {
  fill: var(--sheet);
}
text {
  fill: var(--ink);
  font-size: 14px;
  font-weight: 550;
}
</style>
