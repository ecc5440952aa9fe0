<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { useJob } from '~/job/useJob'
import { useDrag } from '~/composables/useDrag'
import { useGauge } from '~/composables/useGauge'
import { gaugeView } from '~/drawing/gaugeView'
import { usePlaceSlider } from '~/composables/usePlaceSlider'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'

/** The edge unrolled, with what the gauge must read along it; the place looked at can be dragged. */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const { places, square, expected } = useGauge()
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)
const view = computed(() =>
  width.value > 0 && places.value.length > 0
    ? gaugeView(places.value, square.value, { width: width.value, height: height.value }, preferences.unit)
    : null,
)
const { at, slider, keydown } = usePlaceSlider()
const reading = computed(() => expected.value[job.side.value])
const set = computed(() => (job.up.value.ok ? job.up.value : null))

/** The figure stands clear of the lines: under the place where there is room, else over it. */
const TAG_PX = 62
const tagY = computed(() => {
  if (!view.value || reading.value === null) return 0
  const [dot, { y, height: tall }] = [view.value.up(reading.value), view.value.frame]
  return dot < y + tall - TAG_PX - 18 ? dot + TAG_PX : dot - TAG_PX
})

const drag = useDrag({
  move(_dx, _dy, gesture, pointer) {
    if (!view.value || !frame.value) return false
    return actions.lookAt(view.value.lengthAt(pointer.x - frame.value.getBoundingClientRect().left), gesture) === null
  },
})
</script>

<template>
  <div ref="frame" class="relative">
    <svg
      v-if="view && set"
      :viewBox="`0 0 ${width} ${height}`"
      class="absolute inset-0 size-full select-none"
      role="group"
      aria-label="The edge from heel to tip with the edge angle and the gauge’s reading"
    >
      <g v-for="tick in view.upTicks" :key="`u${tick.text}`">
        <line :x1="view.frame.x" :y1="tick.at" :x2="view.frame.x + view.frame.width" :y2="tick.at" class="grid" />
        <text :x="view.frame.x - 7" :y="tick.at + 5" text-anchor="end">{{ tick.text }}</text>
      </g>
      <g v-for="tick in view.acrossTicks" :key="`a${tick.text}`">
        <line :x1="tick.at" :y1="view.frame.y" :x2="tick.at" :y2="view.frame.y + view.frame.height" class="grid" />
        <text :x="tick.at" :y="view.frame.y + view.frame.height + 30" text-anchor="middle">{{ tick.text }}</text>
      </g>
      <text :x="view.frame.x" :y="height - 6">heel</text>
      <text :x="view.frame.x + view.frame.width" :y="height - 6" text-anchor="end">tip</text>
      <text :x="view.frame.x + view.frame.width / 2" :y="height - 6" text-anchor="middle">
        from the heel, {{ preferences.unit }}
      </text>
      <rect
        v-for="(stretch, i) in view.square"
        :key="i"
        :x="stretch.x"
        :y="view.frame.y + view.frame.height + 3"
        :width="stretch.width"
        height="9"
        rx="2"
        class="square"
      />
      <polyline v-for="(line, i) in view.edge" :key="`e${i}`" :points="line" class="edge" />
      <polyline v-for="(line, i) in view.reading" :key="`r${i}`" :points="line" class="reading" />
      <line
        :x1="view.frame.x"
        :y1="view.frame.y + view.frame.height"
        :x2="view.frame.x + view.frame.width"
        :y2="view.frame.y + view.frame.height"
        class="base"
      />
      <g class="look" v-bind="slider" data-focus="gauge-place" v-on="drag.on" @keydown="keydown">
        <line
          :x1="view.at(at)"
          :y1="view.frame.y"
          :x2="view.at(at)"
          :y2="view.frame.y + view.frame.height"
          class="reach"
        />
        <line
          :x1="view.at(at)"
          :y1="view.frame.y"
          :x2="view.at(at)"
          :y2="view.frame.y + view.frame.height"
          class="here"
        />
        <circle v-if="reading !== null" :cx="view.at(at)" :cy="view.up(reading)" r="9" class="dot" />
      </g>
      <g
        v-if="reading !== null"
        :transform="`translate(${Math.min(Math.max(view.at(at), view.frame.x + 50), view.frame.x + view.frame.width - 50)} ${tagY})`"
        class="figure-tag"
      >
        <rect x="-40" y="-17" width="80" height="34" rx="3" />
        <text y="8" text-anchor="middle">{{ angleText(reading, set.doubtDeg) }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
text {
  fill: var(--ink);
  font-size: 14px;
}
.grid {
  stroke: var(--rule-fine);
}
.base {
  stroke: var(--ink);
  stroke-width: 2.4;
}
.edge {
  fill: none;
  stroke: var(--angle-set);
  stroke-width: 2.2;
}
.reading {
  fill: none;
  stroke: var(--angle-read);
  stroke-width: 3;
  stroke-dasharray: 9 4;
}
.square {
  fill: var(--angle-read);
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
.dot {
  fill: var(--sheet);
  stroke: var(--accent);
  stroke-width: 2.6;
}
.look:focus-visible .here {
  stroke: var(--angle-wanted);
  stroke-width: 4;
}
.figure-tag {
  pointer-events: none;
}
.figure-tag rect {
  fill: var(--sheet);
  stroke: var(--angle-read);
  stroke-width: 1.4;
}
.figure-tag text {
  fill: var(--angle-read);
  font-size: 23px;
  font-weight: 700;
}
</style>
