<script setup lang="ts">
import { useDrag } from './useDrag'

/** A knob of the drawing: dragged, or moved by arrow keys. It is a slider to assistive tools. */
defineProps<{
  x: number
  y: number
  label: string
  now: number
  text: string
  /** Degrees the double arrow is turned by: 0 is left and right. */
  turn?: number
  /** Moves both ways. */
  both?: boolean
  /** What lies under it is seen: a ring and a cross of hair lines. */
  clear?: boolean
}>()
const emit = defineEmits<{
  /** A drag moved by pixels; `taken` must be called when the move was made. */
  drag: [dx: number, dy: number, gesture: string, taken: () => void]
  /** Arrow keys: so many steps along the knob's axis (right and up are positive), and which arrows. */
  step: [steps: number, gesture: string, axis: 'x' | 'y']
  grabbed: [is: boolean]
}>()

const { dragging, on } = useDrag({
  move(dx, dy, gesture) {
    let made = false
    emit('drag', dx, dy, gesture, () => (made = true))
    return made
  },
})
watch(dragging, (is) => emit('grabbed', is))

const STEPS: Record<string, number> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
  PageUp: 10,
  PageDown: -10,
}
let keyGesture = ''
function key(event: KeyboardEvent) {
  const steps = STEPS[event.key]
  if (steps === undefined || event.ctrlKey || event.metaKey || event.altKey) return
  event.preventDefault()
  // A key that is held down is one step of the undo.
  if (!event.repeat) keyGesture = `key-${event.timeStamp}`
  emit(
    'step',
    steps * (event.shiftKey && Math.abs(steps) === 1 ? 10 : 1),
    keyGesture,
    /Left|Right/.test(event.key) ? 'x' : 'y',
  )
}
</script>

<template>
  <g
    class="knob"
    :class="{ dragging, clear }"
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-valuenow="Math.round(now * 100) / 100"
    :aria-valuetext="text"
    :transform="`translate(${x} ${y})`"
    v-on="on"
    @keydown="key"
  >
    <circle r="22" class="reach" />
    <circle :r="clear ? 14 : 11" class="face" />
    <path v-if="clear" d="M-14 0h11M3 0h11M0-14v11M0 3v11" class="hair" />
    <path v-if="both && !clear" d="M0-7v14M0-7l-3.4 3.4M0-7l3.4 3.4M0 7l-3.4-3.4M0 7l3.4-3.4" class="arrows" />
    <path
      v-if="!clear"
      d="M-7 0h14M-7 0l3.4-3.4M-7 0l3.4 3.4M7 0l-3.4-3.4M7 0l-3.4 3.4"
      class="arrows"
      :transform="`rotate(${-(turn ?? 0)})`"
    />
  </g>
</template>

<style scoped>
.knob {
  cursor: grab;
  touch-action: none;
  outline: none;
}
.knob.dragging {
  cursor: grabbing;
}
.reach {
  fill: transparent;
}
.face {
  fill: var(--sheet);
  stroke: var(--accent);
  stroke-width: 2.4;
}
.arrows {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.8;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.clear .face {
  fill: transparent;
}
.hair {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1;
}
.knob:not(.clear):hover .face,
.knob:not(.clear).dragging .face {
  fill: var(--accent);
}
.knob:hover .arrows,
.knob.dragging .arrows {
  stroke: var(--sheet);
}
.knob:focus-visible .reach {
  stroke: var(--angle-wanted);
  stroke-width: 3;
}
</style>
