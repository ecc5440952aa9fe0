<script setup lang="ts">
import { clamp } from '#core/math/units/figures'
import { useJob } from '~/job/useJob'
import { useGauge } from '~/composables/useGauge'
import { gaugeView } from './gaugeView'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'

/** The edge unrolled, with what the gauge must read along it; the place looked at can be dragged. */
const job = useJob()
const preferences = usePreferences()
const { places, square, expected } = useGauge()
const size = ref({ width: 0, height: 0 })
const view = computed(() =>
  size.value.width > 0 && places.value.length > 0
    ? gaugeView(places.value, square.value, size.value, preferences.unit)
    : null,
)
const at = computed(() => job.evaluation.value.edgePoint.fromHeelMm)
const reading = computed(() => expected.value[job.side.value])
const set = computed(() => (job.up.value.ok ? job.up.value : null))

/** The figure stands clear of the lines: under the place where there is room, else over it. */
const TAG_PX = 62
const tagY = computed(() => {
  if (!view.value || reading.value === null) return 0
  const [dot, { y, height: tall }] = [view.value.up(reading.value), view.value.frame]
  return dot < y + tall - TAG_PX - 18 ? dot + TAG_PX : dot - TAG_PX
})
</script>

<template>
  <SizedDrawing v-model:size="size" label="The edge from heel to tip with the edge angle and the gauge’s reading">
    <template v-if="view && set">
      <AxisTicks :frame="view.frame" side="left" :ticks="view.upTicks" />
      <AxisTicks :frame="view.frame" side="bottom" :ticks="view.acrossTicks" :below="30" />
      <text :x="view.frame.x" :y="size.height - 6">heel</text>
      <text :x="view.frame.x + view.frame.width" :y="size.height - 6" text-anchor="end">tip</text>
      <text :x="view.frame.x + view.frame.width / 2" :y="size.height - 6" text-anchor="middle">
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
      <PlaceHandle
        v-slot="{ x }"
        :axis="view"
        :top="view.frame.y"
        :bottom="view.frame.y + view.frame.height"
        data-focus="gauge-place"
      >
        <circle v-if="reading !== null" :cx="x" :cy="view.up(reading)" r="9" class="dot" />
      </PlaceHandle>
      <FigureTag
        v-if="reading !== null"
        :x="clamp(view.at(at), [view.frame.x + 50, view.frame.x + view.frame.width - 50])"
        :y="tagY"
        :text="angleText(reading, set.uncertaintyDeg)"
        class="tag"
      />
    </template>
  </SizedDrawing>
</template>

<style scoped>
.edge {
  stroke: var(--angle-set);
  stroke-width: 2.2;
}
.tag {
  color: var(--angle-read);
}
text {
  fill: var(--ink);
  font-size: 14px;
}
.base {
  stroke: var(--ink);
  stroke-width: 2.4;
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
.dot {
  fill: var(--sheet);
  stroke: var(--accent);
  stroke-width: 2.6;
}
</style>
