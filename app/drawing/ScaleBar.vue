<script setup lang="ts">
import { MM_PER_INCH } from '#core/math/units/length'
import { usePreferences } from '~/stores/preferences'

/** A bar of known length: what the drawing's scale is. */
const props = defineProps<{ scale: number; x: number; y: number }>()
const preferences = usePreferences()
const LENGTHS = { mm: [100, 50, 20, 10], in: [4, 2, 1, 0.5] } as const
const bar = computed(() => {
  const perUnit = props.scale * (preferences.unit === 'in' ? MM_PER_INCH : 1)
  const length = LENGTHS[preferences.unit].find((one) => one * perUnit < 90) ?? LENGTHS[preferences.unit][3]
  return { pixels: length * perUnit, text: `${length} ${preferences.unit}` }
})
</script>

<template>
  <g :transform="`translate(${x} ${y})`">
    <path :d="`M0-5V0H${bar.pixels}V-5`" fill="none" stroke="var(--ink-soft)" stroke-width="1.4" />
    <text :x="bar.pixels + 6" y="1" font-size="13" fill="var(--ink-soft)">{{ bar.text }}</text>
  </g>
</template>
