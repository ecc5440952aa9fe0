<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { Vec2 } from '#core/vector/vec2'
import { useAnglesAlong } from '~/composables/useAnglesAlong'
import { reachOf, type DrawnFinding } from '~/drawing/anglesAlong'
import { pointList } from '~/drawing/viewport'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'

/** The four angles of the side that is up, drawn along its edge: lines for what is meant, marks for what was found. */
const job = useJob()
const preferences = usePreferences()
const { sides, edgeMm } = useAnglesAlong()
const drawn = computed(() => sides.value.find(({ side }) => side === job.side.value) ?? sides.value[0]!)
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)
const HEIGHT = 190
const LEFT = 42
const [TOP, BOTTOM] = [14, 26]
const reach = computed(() => reachOf(drawn.value))
const place = (mm: number, deg: number): Vec2 => {
  const [least, most] = reach.value
  const x = LEFT + (mm / edgeMm.value) * (width.value - LEFT - 8)
  return [x, TOP + ((most - deg) / (most - least)) * (HEIGHT - TOP - BOTTOM)]
}
const ticks = computed(() => {
  const [least, most] = reach.value
  const step = most - least > 6 ? 2 : 1
  return Array.from({ length: Math.floor((most - least) / step) + 1 }, (_, i) => least + i * step)
})
const bar = ({ fromMm, toMm, deg, doubtDeg }: DrawnFinding) => {
  const [from, to] = [place(fromMm, deg + doubtDeg), place(toMm, deg - doubtDeg)]
  const middle = place((fromMm + toMm) / 2, deg)
  return { x: from[0], y: from[1], width: Math.max(6, to[0] - from[0]), height: Math.max(3, to[1] - from[1]), middle }
}
const spoken = computed(
  () =>
    `${drawn.value.name}: wanted ${angleText(job.content.value.wanted.deg[drawn.value.side])}; ${drawn.value.findings
      .map(({ word, deg, doubtDeg }) => `${word} ${angleText(deg, doubtDeg)}`)
      .join(', ')}`,
)
</script>

<template>
  <div ref="frame" class="w-full" :style="{ height: `${HEIGHT}px` }">
    <svg
      v-if="width > 0"
      :width="width"
      :height="HEIGHT"
      role="img"
      :aria-label="`The four angles along the edge. ${spoken}`"
    >
      <g v-for="deg in ticks" :key="deg">
        <line :x1="LEFT" :x2="width - 8" :y1="place(0, deg)[1]" :y2="place(0, deg)[1]" stroke="var(--ui-border)" />
        <text x="0" :y="place(0, deg)[1] + 4" class="tick">{{ deg }}°</text>
      </g>
      <text :x="LEFT" :y="HEIGHT - 4" class="tick">heel</text>
      <text :x="width - 8" :y="HEIGHT - 4" text-anchor="end" class="tick">
        tip, {{ lengthText(edgeMm, preferences.unit) }}
      </text>
      <polyline
        v-for="{ angle, line } in drawn.angles"
        :key="angle"
        :points="pointList(line.map(([mm, deg]) => place(mm, deg)))"
        fill="none"
        :stroke="`var(--angle-${angle})`"
        :stroke-width="angle === 'set' ? 3 : 2"
        :stroke-dasharray="angle === 'wanted' ? '2 5' : undefined"
      />
      <g v-for="(one, i) in drawn.findings" :key="i">
        <rect
          v-bind="bar(one)"
          :middle="undefined"
          :fill="`var(--angle-${one.angle})`"
          fill-opacity="0.18"
          :stroke="`var(--angle-${one.angle})`"
        />
        <circle :cx="bar(one).middle[0]" :cy="bar(one).middle[1]" r="4" :fill="`var(--angle-${one.angle})`" />
        <text :x="bar(one).middle[0] + 8" :y="bar(one).middle[1] - 6" class="tick">{{ one.word }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.tick {
  fill: var(--ui-text-toned);
  font-size: 13px;
}
</style>
