<script setup lang="ts">
import type { Placement } from '#core/placement/holdSpace'
import type { PlacementMap } from '#core/placement/searchPlacement'
import type { ClampPosition } from '#core/records/job/clampPosition'
import { mapView } from './mapView'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'

/** The map over clamp position and turn: the darker the worse; crossed out where it cannot be held. */
const props = defineProps<{
  map: PlacementMap
  best: Placement | null
  now: ClampPosition
  costText: (cost: number) => string
}>()
const preferences = usePreferences()
const view = computed(() => mapView(props.map, props.best?.hold ?? null, props.now, preferences.unit))
const label = computed(
  () =>
    `Map over position and turn, ${lengthText(props.map.depthMm, preferences.unit)} deep${props.best ? `: best ${props.costText(props.best.cost)}` : ''}`,
)
</script>

<template>
  <svg :viewBox="`0 0 ${view.width} ${view.height}`" class="w-full" role="img" :aria-label="label">
    <rect
      v-for="(cell, i) in view.cells"
      :key="i"
      :x="cell.x"
      :y="cell.y"
      :width="cell.width"
      :height="cell.height"
      :fill="cell.shade === null ? 'url(#barred)' : 'var(--angle-set)'"
      :fill-opacity="cell.shade ?? 1"
    />
    <rect v-bind="view.frame" fill="none" stroke="var(--ui-border-accented)" />
    <AxisTicks :frame="view.frame" side="bottom" :ticks="view.acrossTicks" :below="15" :grid="false" />
    <AxisTicks :frame="view.frame" side="left" :ticks="view.upTicks" :grid="false" />
    <text :x="view.frame.x + view.frame.width / 2" :y="view.height - 3" text-anchor="middle">
      from the heel to the jaws’ middle, {{ preferences.unit }}
    </text>
    <g v-if="view.now" :transform="`translate(${view.now[0]} ${view.now[1]})`"><circle r="6" class="now" /></g>
    <g v-if="view.best" :transform="`translate(${view.best[0]} ${view.best[1]})`">
      <path d="M-8 0H8M0-8V8" class="best" />
      <circle r="5" class="best" />
    </g>
  </svg>
</template>

<style scoped>
text {
  fill: var(--ink);
  font-size: 12px;
}
.now {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 3 2;
}
.best {
  fill: none;
  stroke: var(--angle-wanted);
  stroke-width: 2.4;
}
</style>
