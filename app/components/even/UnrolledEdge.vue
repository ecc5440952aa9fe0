<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { useJob } from '~/job/useJob'
import { useDrag } from '~/composables/useDrag'
import { useEven } from '~/composables/useEven'
import { unrolledView } from '~/drawing/unrolledView'
import { usePlaceSlider } from '~/composables/usePlaceSlider'
import { usePreferences } from '~/stores/preferences'
import { zoneName } from '~/words/zoneText'

/** The edge unrolled from heel to tip: its angle against the wanted one, its zones, and the bevel before and after. */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const { places, bevels, zones } = useEven()
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)
const view = computed(() =>
  width.value > 0 && places.value.length > 0
    ? unrolledView(
        places.value,
        bevels.value,
        zones.value,
        job.wantedDeg.value,
        { width: width.value, height: height.value },
        preferences.unit,
      )
    : null,
)
const { at, slider, keydown } = usePlaceSlider()
const drag = useDrag({
  move: (_dx, _dy, gesture, pointer) =>
    !!view.value &&
    !!frame.value &&
    actions.lookAt(view.value.lengthAt(pointer.x - frame.value.getBoundingClientRect().left), gesture) === null,
})
const LEAST_NAMED_PX = 34
</script>

<template>
  <div ref="frame" class="relative">
    <svg
      v-if="view"
      :viewBox="`0 0 ${width} ${height}`"
      class="absolute inset-0 size-full select-none"
      role="group"
      aria-label="The edge from heel to tip: angle, zones and bevel"
    >
      <g v-for="tick in view.angle.ticks" :key="`a${tick.text}`">
        <line :x1="view.left" :y1="tick.at" :x2="view.right" :y2="tick.at" class="grid" />
        <text :x="view.left - 7" :y="tick.at + 5" text-anchor="end">{{ tick.text }}</text>
      </g>
      <polygon
        v-for="fill in view.angle.fills"
        :key="String(fill.steeper)"
        :points="fill.points"
        :fill="fill.steeper ? 'var(--angle-set)' : 'url(#flatter)'"
        :opacity="fill.steeper ? 0.55 : 1"
      />
      <line :x1="view.left" :y1="view.angle.wantedY" :x2="view.right" :y2="view.angle.wantedY" class="wanted" />
      <polyline v-for="(line, i) in view.angle.lines" :key="i" :points="line" class="set" />
      <g v-for="(zone, i) in view.zones" :key="`z${i}`">
        <rect
          :x="zone.from + 1"
          :y="view.angle.bottom + 4"
          :width="Math.max(0, zone.to - zone.from - 2)"
          height="20"
          rx="2"
          class="zone"
        />
        <text
          v-if="zone.to - zone.from > LEAST_NAMED_PX"
          :x="(zone.from + zone.to) / 2"
          :y="view.angle.bottom + 19"
          text-anchor="middle"
          class="zone-name"
        >
          {{ zoneName(zones, i) }}
        </text>
      </g>
      <g v-for="tick in view.bevel.ticks" :key="`b${tick.text}`">
        <line :x1="view.left" :y1="tick.at" :x2="view.right" :y2="tick.at" class="grid" />
        <text :x="view.left - 7" :y="tick.at + 5" text-anchor="end">{{ tick.text }}</text>
      </g>
      <polyline v-for="(line, i) in view.bevel.before" :key="`p${i}`" :points="line" class="before" />
      <polyline v-for="(line, i) in view.bevel.after" :key="`q${i}`" :points="line" class="after" />
      <text v-for="tick in view.acrossTicks" :key="`x${tick.text}`" :x="tick.at" :y="height - 8" text-anchor="middle">
        {{ tick.text }}
      </text>
      <g class="look" v-bind="slider" v-on="drag.on" @keydown="keydown">
        <line :x1="view.at(at)" :y1="view.angle.top" :x2="view.at(at)" :y2="view.bevel.bottom" class="reach" />
        <line :x1="view.at(at)" :y1="view.angle.top" :x2="view.at(at)" :y2="view.bevel.bottom" class="here" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
text {
  fill: var(--ink);
  font-size: 13px;
}
.grid {
  stroke: var(--rule-fine);
}
.wanted {
  stroke: var(--angle-wanted);
  stroke-width: 2;
  stroke-dasharray: 3 4;
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
.look {
  cursor: ew-resize;
  touch-action: none;
  outline: none;
}
.reach {
  stroke: transparent;
  stroke-width: 44;
}
.here {
  stroke: var(--accent);
  stroke-width: 1.6;
}
.look:focus-visible .here {
  stroke: var(--angle-wanted);
  stroke-width: 4;
}
</style>
