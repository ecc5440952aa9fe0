<script setup lang="ts">
import type { Zone } from '#core/records/blade/zones'
import { scratchLines } from './scratchLines'
import { zoneName } from '~/words/zoneText'

/**
 * The bevel of a side unrolled from heel to tip, as it should look by now: scratches as the rod makes them, the denser
 * the more steel was taken off.
 */
const props = defineProps<{
  stretch: { readonly fromMm: number; readonly toMm: number }
  zones: readonly Zone[]
  places: readonly number[]
  /** At each place: what was taken off against the middle, and how scratches lean, degrees. */
  shares: readonly number[]
  leans: readonly (number | null)[]
}>()
const size = ref({ width: 0, height: 0 })
const [HEIGHT, BAND, LABELS] = [84, 52, 24] as const
const xOf = (mm: number) =>
  ((mm - props.stretch.fromMm) / (props.stretch.toMm - props.stretch.fromMm)) * size.value.width

const scratches = computed(() => {
  const { places, shares, leans } = props
  const drawn = places.map((mm, i) => ({ x: xOf(mm), share: shares[i] ?? 0, leanDeg: leans[i] ?? null }))
  return scratchLines(drawn, size.value.width, BAND)
})
const shown = computed(() =>
  props.zones.flatMap((zone, i) => {
    const [fromMm, toMm] = [Math.max(zone.fromMm, props.stretch.fromMm), Math.min(zone.toMm, props.stretch.toMm)]
    return toMm > fromMm ? [{ from: xOf(fromMm), to: xOf(toMm), name: zoneName(props.zones, i) }] : []
  }),
)
const id = useId()
</script>

<template>
  <SizedDrawing
    v-model:size="size"
    :height="HEIGHT"
    role="img"
    label="The bevel from heel to tip: the denser its scratches, the more was taken off there"
  >
    <clipPath :id="`${id}-band`"><rect :width="size.width" :height="BAND" /></clipPath>
    <rect :width="size.width" :height="BAND" class="face" />
    <path :d="scratches" class="scratch" :clip-path="`url(#${id}-band)`" />
    <path :d="`M0 ${BAND}H${size.width}`" class="edge" />
    <g v-for="zone in shown" :key="zone.from">
      <path v-if="zone.from > 0" :d="`M${zone.from} ${BAND - 6}v12`" class="edge" />
      <text v-if="zone.to - zone.from > 34" :x="(zone.from + zone.to) / 2" :y="BAND + LABELS - 4">{{ zone.name }}</text>
    </g>
  </SizedDrawing>
</template>

<style scoped>
.face {
  fill: var(--steel);
}
.scratch {
  fill: none;
  stroke: var(--ui-text-toned);
  stroke-width: 1.3;
}
.edge {
  fill: none;
  stroke: var(--ui-text-highlighted);
  stroke-width: 2;
}
text {
  fill: var(--ui-text-toned);
  font-size: 14px;
  text-anchor: middle;
}
</style>
