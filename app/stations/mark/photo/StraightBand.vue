<script setup lang="ts">
import { nth } from '#core/math/list'
import { context2d } from '~/workers/context2d'
import { picturedSpans } from '#core/observe/marker/pictured'
import type { InkPhoto } from './useInkPhoto'
import { hasFraction, lineDownAt, shareDownTo } from '~/stations/mark/inkView'
import { useInk } from '~/composables/useInk'
import { fractionText } from '~/words/inkText'

/**
 * The bevel laid straight, with what was read of it drawn over it; the line of each zone is dragged, or moved by keys.
 */
const props = defineProps<{ photo: InkPhoto }>()
const ink = useInk()
const size = ref({ width: 0, height: 0 })
const width = computed(() => size.value.width)
const HEIGHT = 190
/** What is shown of the band, in widths of the face below the shoulder. */
const [FROM, TO] = [-0.35, 1.2]
const yOf = (down: number) => ((down - FROM) / (TO - FROM)) * HEIGHT
const band = computed(() => props.photo.band.value)
const address = ref('')
watch(
  band,
  async (now) => {
    if (!now) return
    const canvas = new OffscreenCanvas(now.width, now.height)
    context2d(canvas).putImageData(new ImageData(now.rgba, now.width, now.height), 0, 0)
    const blob = await canvas.convertToBlob()
    URL.revokeObjectURL(address.value)
    address.value = URL.createObjectURL(blob)
  },
  { immediate: true },
)
onBeforeUnmount(() => URL.revokeObjectURL(address.value))

/** Lines through the columns: both ends of the face, and where bare steel begins and ends. */
const lines = computed(() => {
  const { columns = [] } = band.value ?? {}
  const every = Math.max(1, Math.round(columns.length / 300))
  const some = columns
    .map((column, i) => ({ ...column, x: ((i + 0.5) / columns.length) * width.value }))
    .filter((_, i) => i % every === 0)
  const path = (of: (column: (typeof some)[number]) => number) =>
    some.map((column) => `${column.x.toFixed(1)},${yOf(of(column)).toFixed(1)}`).join(' ')
  return { shoulder: path(({ shoulder }) => shoulder), edge: path(({ edge }) => edge) }
})
const bare = computed(() => {
  const { columns = [] } = band.value ?? {}
  const wide = width.value / Math.max(1, columns.length)
  return columns
    .flatMap(({ bare: runs }, i) =>
      runs.map(
        ([from, to]) =>
          `M${(i * wide).toFixed(1)} ${yOf(from).toFixed(1)}v${(yOf(to) - yOf(from)).toFixed(1)}h${wide.toFixed(2)}v${(yOf(from) - yOf(to)).toFixed(1)}z`,
      ),
    )
    .join('')
})
const zones = computed(() =>
  props.photo.proposals.value.map((one, i) => ({
    ...one,
    i,
    x: one.from * width.value,
    wide: (one.to - one.from) * width.value,
    name: nth(ink.names.value, one.zone),
  })),
)
function drag(one: (typeof zones.value)[number], dy: number) {
  if (!one.observed) return
  const down = lineDownAt(one.observed.seen, one.observed.fraction) + dy / (yOf(1) - yOf(0))
  set(one, shareDownTo(one.observed.seen, down))
}
function set(one: (typeof zones.value)[number], fraction: number) {
  if (one.observed)
    props.photo.correct(one.i, {
      ...one.observed,
      fraction: Math.round(Math.min(0.97, Math.max(0.02, fraction)) * 100) / 100,
    })
}
</script>

<template>
  <SizedDrawing
    v-model:size="size"
    class="min-h-48"
    :height="HEIGHT"
    label="The bevel laid straight"
    data-testid="straight-band"
  >
    <template v-if="band">
      <image
        v-if="address"
        :href="address"
        x="0"
        :y="yOf(band.fromDown)"
        :width="width"
        :height="yOf(band.toDown) - yOf(band.fromDown)"
        preserveAspectRatio="none"
      />
      <path :d="bare" class="bare" />
      <polyline :points="lines.shoulder" class="line" />
      <polyline :points="lines.edge" class="line" />
      <g v-for="one in zones" :key="one.zone">
        <line v-if="one.x > 1" :x1="one.x" :x2="one.x" y1="0" :y2="HEIGHT" class="between" />
        <template v-if="one.observed">
          <rect
            v-for="([from, to], r) in picturedSpans(one.observed.seen, one.observed.fraction)"
            :key="r"
            :x="one.x + 2"
            :width="Math.max(0, one.wide - 4)"
            :y="yOf(from)"
            :height="yOf(to) - yOf(from)"
            class="observed"
          />
          <DragHandle
            v-if="hasFraction(one.observed.seen)"
            :x="one.x + one.wide / 2"
            :y="yOf(lineDownAt(one.observed.seen, one.observed.fraction))"
            :turn="90"
            :label="`Bare of ${one.name}`"
            :now="one.observed.fraction"
            :text="fractionText(one.observed.fraction)"
            @drag="
              (_dx, dy, _g, taken) => {
                drag(one, dy)
                taken()
              }
            "
            @step="(n) => set(one, one.observed!.fraction + 0.01 * n)"
          />
        </template>
      </g>
    </template>
  </SizedDrawing>
</template>

<style scoped>
.bare {
  fill: var(--accent);
  fill-opacity: 0.28;
}
.line {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.6;
}
.between {
  stroke: var(--sheet);
  stroke-width: 2;
}
.observed {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2.4;
  stroke-dasharray: 7 4;
}
</style>
