<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { Vec2 } from '#core/vector/vec2'
import type { Trace } from '~/describing/useTrace'
import { pointList } from '~/drawing/viewport'

/**
 * The photograph with its marks: corners or two points for the scale, the spine's line, and the edge from heel to tip.
 * Pressing beside them adds to the edge.
 */
const props = defineProps<{ trace: Trace }>()
const { photo, scaleBy, corners, scalePoints, spine, edge, snapped, touched } = props.trace
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)
const k = computed(() =>
  photo.value && width.value > 0 ? Math.min(width.value / photo.value.width, height.value / photo.value.height) : 0,
)
const shift = computed((): Vec2 =>
  photo.value
    ? [(width.value - photo.value.width * k.value) / 2, (height.value - photo.value.height * k.value) / 2]
    : [0, 0],
)
const onSheet = ([x, y]: Vec2): Vec2 => [x * k.value + shift.value[0], y * k.value + shift.value[1]]
const sheetMarks = computed(() => (scaleBy.value === 'two points' ? scalePoints : corners))
const groups = computed(() => [
  {
    id: 'scale',
    marks: sheetMarks.value,
    word: scaleBy.value === 'two points' ? 'Scale point' : 'Corner of the sheet',
  },
  { id: 'spine', marks: spine, word: 'Point on the spine' },
  { id: 'edge', marks: edge, word: 'Point on the edge' },
])
function move(marks: Ref<Vec2[]>, i: number, dx: number, dy: number) {
  const [x, y] = marks.value[i]!
  marks.value = marks.value.map((mark, j) => (j === i ? [x + dx / k.value, y + dy / k.value] : mark))
  touched()
}
const STEP_PX = 1
function add(event: MouseEvent) {
  if (!frame.value || !photo.value) return
  const corner = frame.value.getBoundingClientRect()
  const at: Vec2 = [
    (event.clientX - corner.left - shift.value[0]) / k.value,
    (event.clientY - corner.top - shift.value[1]) / k.value,
  ]
  if (at[0] < 0 || at[1] < 0 || at[0] > photo.value.width || at[1] > photo.value.height) return
  edge.value = [...edge.value, at]
  touched()
}
const line = (marks: readonly Vec2[], closed = false) =>
  pointList([...marks, ...(closed && marks[0] ? [marks[0]] : [])].map(onSheet))
</script>

<template>
  <div ref="frame" class="absolute inset-0 overflow-hidden">
    <svg
      v-if="photo && k > 0"
      :viewBox="`0 0 ${width} ${height}`"
      class="size-full select-none"
      role="group"
      aria-label="The photograph with its marks"
    >
      <image
        :href="photo.address"
        :x="shift[0]"
        :y="shift[1]"
        :width="photo.width * k"
        :height="photo.height * k"
        class="cursor-crosshair"
        @click="add"
      />
      <polyline :points="line(sheetMarks.value, scaleBy !== 'two points')" class="scale" />
      <polyline :points="line(spine)" class="spine" />
      <polyline :points="line(snapped.length > 0 ? snapped : edge)" :class="snapped.length > 0 ? 'snapped' : 'edge'" />
      <g v-for="group in groups" :key="group.id">
        <DragHandle
          v-for="(mark, i) in group.marks.value"
          :key="i"
          :x="onSheet(mark)[0]"
          :y="onSheet(mark)[1]"
          both
          :label="`${group.word} ${i + 1}`"
          :now="mark[0]"
          :text="`${Math.round(mark[0])}, ${Math.round(mark[1])} pixels`"
          @drag="
            (dx, dy, _g, taken) => {
              move(group.marks, i, dx, dy)
              taken()
            }
          "
          @step="(n, _g, axis) => move(group.marks, i, axis === 'x' ? n * STEP_PX : 0, axis === 'y' ? -n * STEP_PX : 0)"
        />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.scale {
  fill: none;
  stroke: var(--angle-read);
  stroke-width: 2;
  stroke-dasharray: 8 5;
}
.spine {
  fill: none;
  stroke: var(--angle-wanted);
  stroke-width: 2.4;
}
.edge {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.6;
  stroke-dasharray: 4 4;
}
.snapped {
  fill: none;
  stroke: var(--accent);
  stroke-width: 3;
}
polyline {
  pointer-events: none;
}
</style>
