<script setup lang="ts">
import { useDrag } from './useDrag'
import { usePlaceSlider } from './usePlaceSlider'
import { useJob } from '~/job/useJob'

/** The place of the edge that is looked at, as a line across the edge unrolled, to be dragged or moved by keys. */
const props = defineProps<{
  /** Pixels from the left of the drawing, for a place of the edge, and back. */
  axis: { readonly at: (fromHeelMm: number) => number; readonly lengthAt: (x: number) => number }
  top: number
  bottom: number
}>()
const { actions } = useJob()
const { at, slider, keydown } = usePlaceSlider()
const handle = ref<SVGGElement | null>(null)
const drag = useDrag({
  move(_dx, _dy, _gesture, pointer) {
    const drawing = handle.value?.ownerSVGElement?.getBoundingClientRect()
    if (drawing) actions.lookAt(props.axis.lengthAt(pointer.x - drawing.left))
    return drawing !== undefined
  },
})
const x = computed(() => props.axis.at(at.value))
</script>

<template>
  <g ref="handle" class="look" v-bind="slider" v-on="drag.on" @keydown="keydown">
    <line :x1="x" :y1="top" :x2="x" :y2="bottom" class="reach" />
    <line :x1="x" :y1="top" :x2="x" :y2="bottom" class="here" />
    <slot :x="x" />
  </g>
</template>

<style scoped>
.look {
  cursor: ew-resize;
  touch-action: none;
  outline: none;
}
.reach {
  stroke: transparent;
  stroke-width: 44;
}
.here {
  stroke: var(--accent);
  stroke-width: 1.6;
}
.look:focus-visible .here {
  stroke: var(--angle-wanted);
  stroke-width: 4;
}
</style>
