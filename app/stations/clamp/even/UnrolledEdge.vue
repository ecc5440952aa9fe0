<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { useEven } from './useEven'
import { unrolledView } from './unrolledView'
import { usePreferences } from '~/stores/preferences'
import { zoneName } from '~/words/zoneText'

/** The edge unrolled from heel to tip: its angle against the wanted one, its zones, and the bevel before and after. */
const job = useJob()
const preferences = usePreferences()
const { places, bevels, zones } = useEven()
const size = ref({ width: 0, height: 0 })
const view = computed(() =>
  size.value.width > 0 && places.value.length > 0
    ? unrolledView(places.value, bevels.value, zones.value, job.wantedDeg.value, size.value, preferences.unit)
    : null,
)
const LEAST_NAMED_PX = 34
</script>

<template>
  <SizedDrawing v-model:size="size" label="The edge from heel to tip: angle, zones and bevel">
    <template v-if="view">
      <AxisTicks :frame="view.angle.frame" side="left" :ticks="view.angle.ticks" />
      <polygon
        v-for="fill in view.angle.fills"
        :key="String(fill.steeper)"
        :points="fill.points"
        :fill="fill.steeper ? 'var(--angle-set)' : 'url(#flatter)'"
        :opacity="fill.steeper ? 0.55 : 1"
      />
      <line
        :x1="view.angle.frame.x"
        :y1="view.angle.wantedY"
        :x2="view.angle.frame.x + view.angle.frame.width"
        :y2="view.angle.wantedY"
        class="wanted"
      />
      <polyline v-for="(line, i) in view.angle.lines" :key="i" :points="line" class="set" />
      <g v-for="(zone, i) in view.zones" :key="`z${i}`">
        <rect
          :x="zone.from + 1"
          :y="view.zonesY + 4"
          :width="Math.max(0, zone.to - zone.from - 2)"
          height="20"
          rx="2"
          class="zone"
        />
        <text
          v-if="zone.to - zone.from > LEAST_NAMED_PX"
          :x="(zone.from + zone.to) / 2"
          :y="view.zonesY + 19"
          text-anchor="middle"
          class="zone-name"
        >
          {{ zoneName(zones, i) }}
        </text>
      </g>
      <AxisTicks :frame="view.bevel.frame" side="left" :ticks="view.bevel.ticks" />
      <polyline v-for="(line, i) in view.bevel.before" :key="`p${i}`" :points="line" class="before" />
      <polyline v-for="(line, i) in view.bevel.after" :key="`q${i}`" :points="line" class="after" />
      <AxisTicks :frame="view.bevel.frame" side="bottom" :ticks="view.acrossTicks" :grid="false" />
      <PlaceHandle :axis="view" :top="view.angle.frame.y" :bottom="view.bevel.frame.y + view.bevel.frame.height" />
    </template>
  </SizedDrawing>
</template>

<style scoped>
.zone-name {
  fill: var(--ink);
  font-size: 13px;
}
.set {
  fill: none;
  stroke: var(--angle-set);
  stroke-width: 2.4;
}
.zone {
  fill: var(--ui-bg-elevated);
  stroke: var(--rule);
}
.before {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 2;
  stroke-dasharray: 7 4;
}
.after {
  fill: none;
  stroke: var(--angle-set);
  stroke-width: 2.4;
}
</style>
