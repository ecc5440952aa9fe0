<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { nth } from '#core/math/list'
import type { Vec2 } from '#core/math/vector/vec2'
import { clamp } from '#core/math/units/figures'
import { pointList } from '~/drawing/viewport'

/**
 * A photograph with marks on it: moved by hand or keys, brought closer with two fingers, the wheel or the buttons. A
 * press beside the marks is told with its place, pixels of the picture.
 */
export interface MarkGroup {
  readonly id: string
  /** What one mark of it is called. */
  readonly word: string
  readonly marks: readonly Vec2[]
  /** What is drawn through them; the marks themselves where it is left out. */
  readonly line?: readonly Vec2[]
  readonly closed?: boolean
  readonly look: 'scale' | 'spine' | 'edge' | 'snapped' | 'unsure' | 'shoulder'
}
const props = defineProps<{
  photo: { readonly address: string; readonly width: number; readonly height: number }
  groups: readonly MarkGroup[]
}>()
/** How much closer than fitted to the frame, and what of the picture is in its middle, in shares. */
const zoom = defineModel<{ times: number; x: number; y: number }>('zoom', { required: true })
const emit = defineEmits<{ add: [at: Vec2]; move: [group: string, mark: number, to: Vec2] }>()
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)
/** Screen pixels for one of the picture, with the whole picture in the frame; and as close as one looks. */
const fit = computed(() =>
  width.value > 0 ? Math.min(width.value / props.photo.width, height.value / props.photo.height) : 0,
)
const k = computed(() => fit.value * zoom.value.times)
const shift = computed((): Vec2 => [
  width.value / 2 - zoom.value.x * props.photo.width * k.value,
  height.value / 2 - zoom.value.y * props.photo.height * k.value,
])
const onSheet = ([x, y]: Vec2): Vec2 => [x * k.value + shift.value[0], y * k.value + shift.value[1]]
const inPicture = ([x, y]: Vec2): Vec2 => [(x - shift.value[0]) / k.value, (y - shift.value[1]) / k.value]

/** A pixel of the picture is then so many of the screen. */
const CLOSEST = 12
/** Looks so many times closer with a point of the picture lying at a point of the frame. */
function look(times: number, point: Vec2, at: Vec2) {
  const now = clamp(times, [1, Math.max(1, CLOSEST / fit.value)])
  const middle = (i: 0 | 1, [frameSize, size]: Vec2) =>
    now === 1 ? 0.5 : clamp((point[i] + (frameSize / 2 - at[i]) / (fit.value * now)) / size, [0, 1])
  zoom.value = {
    times: now,
    x: middle(0, [width.value, props.photo.width]),
    y: middle(1, [height.value, props.photo.height]),
  }
}
const closer = (by: number, at: Vec2 = [width.value / 2, height.value / 2]) =>
  look(zoom.value.times * by, inPicture(at), at)
const inFrame = ({ clientX, clientY }: { clientX: number; clientY: number }): Vec2 => {
  const corner = frame.value!.getBoundingClientRect()
  return [clientX - corner.left, clientY - corner.top]
}
/** A mark that gets the focus comes into sight. */
function reveal(mark: Vec2) {
  const [x, y] = onSheet(mark)
  if (x < 0 || y < 0 || x > width.value || y > height.value)
    look(zoom.value.times, mark, [width.value / 2, height.value / 2])
}

/** Pointers on the picture: one moves it, two bring it closer; a press that did not move adds a mark. */
const pressed = new Map<number, Vec2>()
const SLIP_PX = 5
let slipped = 0
function press(event: PointerEvent) {
  if (event.button !== 0) return
  if (event.currentTarget instanceof Element) event.currentTarget.setPointerCapture(event.pointerId)
  if (pressed.size === 0) slipped = 0
  pressed.set(event.pointerId, inFrame(event))
}
function slide(event: PointerEvent) {
  const before = pressed.get(event.pointerId)
  if (!before) return
  const now = inFrame(event)
  const moved = Math.hypot(now[0] - before[0], now[1] - before[1])
  slipped += moved
  const other = [...pressed].find(([id]) => id !== event.pointerId)?.[1]
  pressed.set(event.pointerId, now)
  if (other) {
    const apart = (p: Vec2) => Math.max(10, Math.hypot(p[0] - other[0], p[1] - other[1]))
    look((zoom.value.times * apart(now)) / apart(before), inPicture(other), other)
  } else if (slipped > SLIP_PX) look(zoom.value.times, inPicture(before), now)
}
function release(event: PointerEvent) {
  pressed.delete(event.pointerId)
}

function move({ id, marks }: MarkGroup, i: number, dx: number, dy: number) {
  const [x, y] = nth(marks, i)
  emit('move', id, i, [x + dx / k.value, y + dy / k.value])
}
function add(event: MouseEvent) {
  if (slipped > SLIP_PX) return
  const at = inPicture(inFrame(event))
  if (at[0] < 0 || at[1] < 0 || at[0] > props.photo.width || at[1] > props.photo.height) return
  emit('add', at)
}
const line = ({ marks, line: through = marks, closed }: MarkGroup) =>
  pointList([...through, ...(closed && through[0] ? [through[0]] : [])].map(onSheet))
</script>

<template>
  <div class="absolute inset-0 flex flex-col">
    <div class="flex items-center justify-end gap-1 p-1">
      <span class="px-2 text-sm" aria-live="polite">× {{ zoom.times.toFixed(1) }}</span
      ><UButton
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-zoom-in"
        aria-label="Closer"
        @click="closer(1.6)"
      /><UButton
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-zoom-out"
        aria-label="Further away"
        @click="closer(1 / 1.6)"
      /><UButton
        color="neutral"
        variant="outline"
        size="lg"
        icon="i-lucide-maximize"
        aria-label="The whole picture"
        @click="closer(0)"
      />
    </div>
    <div ref="frame" class="relative min-h-0 flex-1 overflow-hidden">
      <svg
        v-if="k > 0"
        :viewBox="`0 0 ${width} ${height}`"
        class="absolute inset-0 size-full select-none"
        role="group"
        aria-label="The photograph with its marks"
        @wheel.prevent="closer(Math.exp(-$event.deltaY / 400), inFrame($event))"
      >
        <image
          :href="photo.address"
          :x="shift[0]"
          :y="shift[1]"
          :width="photo.width * k"
          :height="photo.height * k"
          class="picture"
          :class="{ pixels: k > 3 }"
          @click="add"
          @pointerdown="press"
          @pointermove="slide"
          @pointerup="release"
          @pointercancel="release"
        />
        <polyline v-for="group in groups" :key="group.id" :points="line(group)" :class="group.look" />
        <g v-for="group in groups" :key="group.id">
          <DragHandle
            v-for="(mark, i) in group.marks"
            :key="i"
            :x="onSheet(mark)[0]"
            :y="onSheet(mark)[1]"
            both
            clear
            :label="`${group.word} ${i + 1}`"
            :now="mark[0]"
            :text="`${Math.round(mark[0])}, ${Math.round(mark[1])} pixels`"
            @focusin="reveal(mark)"
            @drag="
              (dx, dy, _g, taken) => {
                move(group, i, dx, dy)
                taken()
              }
            "
            @step="(n, _g, axis) => move(group, i, axis === 'x' ? n * k : 0, axis === 'y' ? -n * k : 0)"
          />
        </g>
      </svg>
    </div>
  </div>
</template>

<style scoped>
.picture {
  cursor: crosshair;
  touch-action: none;
}
.pixels {
  image-rendering: pixelated;
}
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
.shoulder {
  fill: none;
  stroke: var(--angle-proved);
  stroke-width: 1.6;
  stroke-dasharray: 2 4;
}
.unsure {
  fill: none;
  stroke: var(--ui-error);
  stroke-width: 5px;
  stroke-dasharray: 2 7;
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
