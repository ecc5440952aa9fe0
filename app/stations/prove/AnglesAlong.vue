<script setup lang="ts">
import { nth } from '#core/math/list'
import type { Vec2 } from '#core/math/vector/vec2'
import { useAnglesAlong } from './useAnglesAlong'
import { reachOf, type DrawnFinding } from './anglesAlong'
import { pointList } from '~/drawing/viewport'
import { useJob } from '~/job/useJob'
import { angleText } from '~/words/angleText'

/** The four angles of the side that is up, drawn along its edge: lines for what is meant, marks for what was found. */
const job = useJob()
const { sides, edgeMm } = useAnglesAlong()
const drawn = computed(() => sides.value.find(({ side }) => side === job.side.value) ?? nth(sides.value, 0))
const reach = computed(() => reachOf(drawn.value))
const ticks = computed(() => {
  const [least, most] = reach.value
  const step = most - least > 6 ? 2 : 1
  return Array.from({ length: Math.floor((most - least) / step) + 1 }, (_, i) => ({
    at: least + i * step,
    text: `${least + i * step}°`,
  }))
})
type ToPixels = (mm: number, deg: number) => Vec2
const bar = (at: ToPixels, { fromMm, toMm, deg, uncertaintyDeg }: DrawnFinding) => {
  const [from, to] = [at(fromMm, deg + uncertaintyDeg), at(toMm, deg - uncertaintyDeg)]
  return { x: from[0], y: from[1], width: Math.max(6, to[0] - from[0]), height: Math.max(3, to[1] - from[1]) }
}
const middle = (at: ToPixels, { fromMm, toMm, deg }: DrawnFinding) => at((fromMm + toMm) / 2, deg)
/** A reading's word stands on the other side of its mark: it is often taken where the proof is. */
function wordAt(at: ToPixels, one: DrawnFinding) {
  const [x, y] = middle(at, one)
  return one.angle === 'read' ? { x: x - 12, y: y + 14, 'text-anchor': 'end' } : { x: x + 8, y: y - 6 }
}
const spoken = computed(
  () =>
    `${drawn.value.name}: wanted ${angleText(job.toProveDeg(drawn.value.side))}; ${drawn.value.findings
      .map(({ word, deg, uncertaintyDeg }) => `${word} ${angleText(deg, uncertaintyDeg)}`)
      .join(', ')}`,
)
</script>

<template>
  <AlongEdge
    v-slot="{ at }"
    :edge-mm="edgeMm"
    :reach="reach"
    :ticks="ticks"
    :label="`The four angles along the edge. ${spoken}`"
  >
    <polyline
      v-for="{ angle, line } in drawn.angles"
      :key="angle"
      :points="pointList(line.map(([mm, deg]) => at(mm, deg)))"
      fill="none"
      :stroke="`var(--angle-${angle})`"
      :stroke-width="angle === 'set' ? 3 : 2"
      :stroke-dasharray="angle === 'wanted' ? '2 5' : undefined"
    />
    <g v-for="(one, i) in drawn.findings" :key="i">
      <rect
        v-bind="bar(at, one)"
        :fill="`var(--angle-${one.angle})`"
        fill-opacity="0.18"
        :stroke="`var(--angle-${one.angle})`"
      />
      <circle :cx="middle(at, one)[0]" :cy="middle(at, one)[1]" r="4" :fill="`var(--angle-${one.angle})`" />
      <text v-bind="wordAt(at, one)">{{ one.word }}</text>
    </g>
  </AlongEdge>
</template>
