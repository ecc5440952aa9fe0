<script setup lang="ts">
import { lastOf } from '#core/math/list'
import type { Section } from '#core/steel/section/section'
import type { LifeStage } from './useLife'
import { usePreferences } from '~/stores/preferences'
import { exactLength } from '~/words/lengthText'

/** A blade's section behind its edge, the edge at the left: as it is, and as it comes to be. */
const props = defineProps<{
  stages: readonly LifeStage[]
  /** One side alone is bevelled: the other half is the flat back. */
  oneSided: boolean
}>()
const preferences = usePreferences()
const size = ref({ width: 0, height: 0 })
const HEIGHT = 210
const [LEFT, BELOW] = [12, 28]
/** How far behind the edge it is drawn, mm. */
const reachMm = computed(() => Math.max(0.5, ...props.stages.map(({ bevelMm, lostMm }) => lostMm + 1.5 * bevelMm)))
/** Pixels to a millimetre. */
const scale = computed(() => {
  const heights = props.stages.flatMap(({ section }) => section.map(([x, y]) => (x < reachMm.value ? y : 0)))
  const [wide, high] = [size.value.width - 2 * LEFT, HEIGHT - BELOW - 16]
  return Math.min(wide / reachMm.value, high / (2.2 * Math.max(0.05, ...heights)))
})
const middle = (HEIGHT - BELOW) / 2
/** Up one half to the spine and back on the other, in pixels. */
function outline(section: Section): string {
  const at = (x: number, y: number) => `${(LEFT + x * scale.value).toFixed(1)},${(middle - y * scale.value).toFixed(1)}`
  const back = props.oneSided ? section.map(([x]) => at(x, 0)) : section.map(([x, y]) => at(x, -y))
  return [...section.map(([x, y]) => at(x, y)), ...back.toReversed()].join(' ')
}
/** A bar of known length: the longest of these that has room, mm. */
const BARS_MM = { mm: [2, 1, 0.5, 0.2, 0.1], in: [1.27, 0.635, 0.254, 0.127] } as const
const bar = computed(() => {
  const bars = BARS_MM[preferences.unit]
  return bars.find((mm) => mm * scale.value < 140) ?? lastOf(bars)
})
</script>

<template>
  <SizedDrawing
    v-model:size="size"
    :height="HEIGHT"
    role="img"
    class="life overflow-hidden"
    label="The section behind the edge, as it is and as it comes to be. The table has the figures."
  >
    <polygon v-for="one in stages" :key="one.look" :points="outline(one.section)" :class="one.look" />
    <g :transform="`translate(${LEFT} ${HEIGHT - 10})`">
      <path :d="`M0-6V0H${bar * scale}V-6`" class="bar" />
      <text :x="bar * scale + 8" y="1">{{ exactLength(bar, preferences.unit) }}, the edge at the left</text>
    </g>
  </SizedDrawing>
</template>

<style scoped>
.now {
  fill: var(--steel);
  stroke: var(--steel-line);
}
.then,
.later {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2;
}
.later {
  stroke-dasharray: 7 4;
}
.bar {
  fill: none;
  stroke: var(--ui-text-toned);
}
text {
  fill: var(--ui-text-toned);
  font-size: 13px;
}
</style>
