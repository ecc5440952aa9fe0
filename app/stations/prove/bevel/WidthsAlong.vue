<script setup lang="ts">
import type { Vec2 } from '#core/math/vector/vec2'
import { useBevelCheck } from './useBevelCheck'
import { pointList } from '~/drawing/viewport'
import { usePreferences } from '~/stores/preferences'
import { widthText } from '~/words/bevelText'
import { bevelFigure } from '~/words/lengthText'

/**
 * The bevel of the side that is up, as wide as it was, as it must be, and as it was measured, from edge to shoulder.
 */
const preferences = usePreferences()
const { drawn, noted, edgeMm } = useBevelCheck()
const names = computed(() => preferences.current.sideNames)
const measured = computed(() => noted.value.filter(({ entry }) => entry.side === drawn.value.side))
const lineOf = (width: 'beforeMm' | 'afterMm') =>
  drawn.value.along.flatMap((one): Vec2[] => (one[width] === null ? [] : [[one.fromHeelMm, one[width]]]))
const before = computed(() => lineOf('beforeMm'))
const must = computed(() => lineOf('afterMm'))
const highest = computed(() =>
  Math.max(
    0.2,
    ...[...before.value, ...must.value].map(([, mm]) => mm),
    ...measured.value.map(({ entry }) => entry.widthMm + entry.uncertaintyMm),
  ),
)
const STEPS_MM = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20]
const step = computed(() => STEPS_MM.find((mm) => highest.value / mm <= 5) ?? 50)
const top = computed(() => Math.ceil((highest.value * 1.05) / step.value) * step.value)
const ticks = computed(() =>
  Array.from({ length: Math.round(top.value / step.value) + 1 }, (_, i) => ({
    at: i * step.value,
    text: i === 0 ? 'edge' : bevelFigure(i * step.value, preferences.unit),
  })),
)
const spoken = computed(() => {
  const [from, to] = [must.value[0], must.value.at(-1)]
  const text = (mm: number) => widthText(mm, 0.1, preferences.unit)
  const say = from && to ? `must be ${text(from[1])} at the heel, ${text(to[1])} at the tip; ` : ''
  const found = measured.value.map(({ entry }) => widthText(entry.widthMm, entry.uncertaintyMm, preferences.unit))
  return `${say}measured ${found.join(', ') || 'nowhere yet'}`
})
</script>

<template>
  <AlongEdge
    v-slot="{ at }"
    :edge-mm="edgeMm"
    :reach="[0, top]"
    :ticks="ticks"
    :label="`Width of the bevel on ${names[drawn.side]} along the edge: ${spoken}`"
  >
    <polygon
      v-if="must.length > 1"
      :points="pointList([at(0, 0), ...must.map(([mm, width]) => at(mm, width)), at(edgeMm, 0)])"
      fill="var(--angle-set)"
      fill-opacity="0.14"
    />
    <polyline
      :points="pointList(must.map(([mm, width]) => at(mm, width)))"
      fill="none"
      stroke="var(--angle-set)"
      stroke-width="3"
    />
    <polyline
      :points="pointList(before.map(([mm, width]) => at(mm, width)))"
      fill="none"
      stroke="var(--ui-text-toned)"
      stroke-width="2"
      stroke-dasharray="6 5"
    />
    <g v-for="{ entry } in measured" :key="entry.id" stroke="var(--angle-proved)" stroke-width="2.4">
      <line
        v-for="to in [entry.widthMm - entry.uncertaintyMm, entry.widthMm + entry.uncertaintyMm]"
        :key="to"
        :x1="at(entry.placeMm, 0)[0] - 6"
        :x2="at(entry.placeMm, 0)[0] + 6"
        :y1="at(0, to)[1]"
        :y2="at(0, to)[1]"
      />
      <line
        :x1="at(entry.placeMm, 0)[0]"
        :x2="at(entry.placeMm, 0)[0]"
        :y1="at(0, entry.widthMm - entry.uncertaintyMm)[1]"
        :y2="at(0, entry.widthMm + entry.uncertaintyMm)[1]"
      />
      <circle
        :cx="at(entry.placeMm, 0)[0]"
        :cy="at(0, entry.widthMm)[1]"
        r="4"
        fill="var(--angle-proved)"
        stroke="none"
      />
    </g>
  </AlongEdge>
  <p class="flex flex-wrap gap-x-4 text-sm text-toned">
    <span v-if="before.length > 0"><span class="key key-before mr-1" />before</span>
    <span><span class="key key-must mr-1" />as it must be</span>
    <span><span class="key key-measured mr-1" />measured</span>
  </p>
</template>

<style scoped>
.key {
  display: inline-block;
  width: 1.4rem;
  vertical-align: middle;
  border-top: 3px solid var(--angle-set);
}
.key-before {
  border-top: 2px dashed var(--ui-text-toned);
}
.key-measured {
  width: 0.6rem;
  height: 0.6rem;
  border: 0;
  border-radius: 50%;
  background: var(--angle-proved);
}
</style>
