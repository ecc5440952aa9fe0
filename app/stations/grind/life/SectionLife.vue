<script setup lang="ts">
import type { Section } from '#core/steel/section/section'
import { usePreferences } from '~/stores/preferences'
import { exactLength } from '~/words/lengthText'

/** A blade's section behind its edge, the edge at the left: as it is, and as it comes to be. */
const props = defineProps<{
  sections: readonly { readonly name: string; readonly section: Section; readonly look: 'now' | 'then' | 'later' }[]
  /** How far behind the edge it is drawn, mm. */
  reachMm: number
  /** One side alone is bevelled: the other half is the flat back. */
  oneSided: boolean
}>()
const preferences = usePreferences()
const size = ref({ width: 0, height: 0 })
const HEIGHT = 210
const [LEFT, BELOW] = [12, 28]
const k = computed(() => {
  const highest = Math.max(
    ...props.sections.flatMap(({ section }) => section.map(([x, y]) => (x < props.reachMm ? y : 0))),
  )
  return Math.min(
    (size.value.width - 2 * LEFT) / props.reachMm,
    (HEIGHT - BELOW - 16) / (2.2 * Math.max(0.05, highest)),
  )
})
const middle = (HEIGHT - BELOW) / 2
/** Up one half to the spine and back on the other, in pixels. */
function outline(section: Section): string {
  const at = (x: number, y: number) => `${(LEFT + x * k.value).toFixed(1)},${(middle - y * k.value).toFixed(1)}`
  const back = props.oneSided ? section.map(([x]) => at(x, 0)) : section.map(([x, y]) => at(x, -y))
  return [...section.map(([x, y]) => at(x, y)), ...back.toReversed()].join(' ')
}
const bar = computed(() => {
  const [mm] = (preferences.unit === 'in' ? [1.27, 0.635, 0.254, 0.127] : [2, 1, 0.5, 0.2, 0.1]).filter(
    (one) => one * k.value < 140,
  )
  return mm ?? 0.1
})
</script>

<template>
  <SizedDrawing
    v-model:size="size"
    :height="HEIGHT"
    role="img"
    class="life overflow-hidden"
    :label="`The section behind the edge: ${sections.map(({ name }) => name).join(', ')}. The table has the figures.`"
  >
    <polygon v-for="one in sections" :key="one.name" :points="outline(one.section)" :class="one.look" />
    <g :transform="`translate(${LEFT} ${HEIGHT - 10})`">
      <path :d="`M0-6V0H${bar * k}V-6`" class="bar" />
      <text :x="bar * k + 8" y="1">{{ exactLength(bar, preferences.unit) }}, the edge at the left</text>
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
