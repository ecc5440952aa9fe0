<script setup lang="ts">
import type { Vec2 } from '#core/math/vector/vec2'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'

/**
 * What was found along an edge, from heel to tip, over a scale: the slot draws with `at`, from mm and value to pixels.
 */
const props = defineProps<{
  edgeMm: number
  reach: readonly [least: number, most: number]
  ticks: readonly { readonly at: number; readonly text: string }[]
  label: string
}>()
defineSlots<{ default(props: { at: (mm: number, value: number) => Vec2 }): unknown }>()
const preferences = usePreferences()
const size = ref({ width: 0, height: 0 })
const HEIGHT = 190
const LEFT = 42
const [TOP, BOTTOM] = [14, 26]
function at(mm: number, value: number): Vec2 {
  const [least, most] = props.reach
  const x = LEFT + (mm / props.edgeMm) * (size.value.width - LEFT - 8)
  return [x, TOP + ((most - value) / (most - least)) * (HEIGHT - TOP - BOTTOM)]
}
</script>

<template>
  <SizedDrawing
    v-model:size="size"
    :height="HEIGHT"
    role="img"
    :label="label"
    class="along"
    :style="{ minHeight: `${HEIGHT}px` }"
  >
    <g v-for="tick in ticks" :key="tick.at">
      <line :x1="LEFT" :x2="size.width - 8" :y1="at(0, tick.at)[1]" :y2="at(0, tick.at)[1]" stroke="var(--ui-border)" />
      <text x="0" :y="at(0, tick.at)[1] + 4">{{ tick.text }}</text>
    </g>
    <text :x="LEFT" :y="HEIGHT - 4">heel</text>
    <text :x="size.width - 8" :y="HEIGHT - 4" text-anchor="end">tip, {{ lengthText(edgeMm, preferences.unit) }}</text>
    <slot :at="at" />
  </SizedDrawing>
</template>

<style scoped>
.along :deep(text) {
  fill: var(--ui-text-toned);
  font-size: 13px;
}
</style>
