<script setup lang="ts">
import { outlinePath } from '#core/records/blade/outline'
import { edgePointAt } from '#core/math/curve/edgePoints'
import { clamp } from '#core/math/units/figures'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'

/** Which stretch of the edge is meant: a window on the blade's outline, its two ends dragged or moved by keys. */
const fromMm = defineModel<number>('from', { required: true })
const toMm = defineModel<number>('to', { required: true })
const job = useJob()
const preferences = usePreferences()
const size = ref({ width: 0, height: 0 })
const MARGIN = 24
const edge = computed(() => job.blade.value.edge)
const box = computed(() => {
  const points = job.edgePoints.value.map(({ point }) => point)
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
  return { from: Math.min(...xs), to: Math.max(...xs), high: Math.max(job.blade.value.widthMm, ...ys) }
})
const k = computed(() => Math.min(6, (size.value.width - 2 * MARGIN) / Math.max(1, box.value.to - box.value.from)))
const height = computed(() => box.value.high * k.value + 44)
const px = (mm: number) => {
  const [x, y] = edgePointAt(edge.value, mm).point
  return [MARGIN + (x - box.value.from) * k.value, 10 + y * k.value] as const
}
const stretch = computed(() => {
  const steps = 60
  return Array.from({ length: steps + 1 }, (_, i) =>
    px(fromMm.value + ((toMm.value - fromMm.value) * i) / steps).join(','),
  ).join(' ')
})
const LEAST_MM = 2
const ends = computed(() => [
  {
    id: 'from',
    label: 'The picture begins',
    mm: fromMm.value,
    move: (mm: number) => (fromMm.value = clamp(mm, [0, toMm.value - LEAST_MM])),
  },
  {
    id: 'to',
    label: 'The picture ends',
    mm: toMm.value,
    move: (mm: number) => (toMm.value = clamp(mm, [fromMm.value + LEAST_MM, job.edgeMm.value])),
  },
])
</script>

<template>
  <SizedDrawing
    v-model:size="size"
    class="min-h-24"
    :height="height"
    label="The stretch of the edge that the picture shows"
  >
    <path
      :d="outlinePath(job.blade.value)"
      :transform="`translate(${MARGIN - box.from * k} 10) scale(${k})`"
      class="steel"
    />
    <polyline :points="stretch" class="window" />
    <DragHandle
      v-for="end in ends"
      :key="end.id"
      :x="px(end.mm)[0]"
      :y="px(end.mm)[1] + 14"
      :label="end.label"
      :now="end.mm"
      :text="`${lengthText(end.mm, preferences.unit)} from the heel`"
      @drag="
        (dx, _dy, _g, taken) => {
          end.move(end.mm + dx / k)
          taken()
        }
      "
      @step="(n) => end.move(end.mm + n)"
    />
  </SizedDrawing>
</template>

<style scoped>
.steel {
  fill: var(--steel);
  stroke: var(--steel-line);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.window {
  fill: none;
  stroke: var(--accent);
  stroke-width: 5;
  stroke-linecap: round;
}
</style>
