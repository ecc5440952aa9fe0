<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { useDrag } from '~/drawing/useDrag'
import { usePlaceSlider } from '~/drawing/usePlaceSlider'
import { useViewport } from '~/drawing/useViewport'
import { nearestEdgePoint, planBounds, planView } from './planView'
import { lineOf, pointList, toDrawing } from '~/drawing/viewport'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'

const job = useJob()

const { actions } = job
const preferences = usePreferences()
const sheet = ref<HTMLElement | null>(null)
const grabbed = ref(false)

const bounds = () => (job.drawn.value ? planBounds(job.drawn.value.setup, job.edgePoints.value) : null)
const { viewport, box, filling, height } = useViewport(sheet, bounds, grabbed, { x: 36, top: 84, bottom: 30 })
const view = computed(() => {
  const drawn = job.drawn.value
  return drawn && viewport.value
    ? planView(drawn.setup, drawn.set, drawn.side, job.edgePoints.value, viewport.value)
    : null
})
const text = (mm: number) => lengthText(mm, preferences.unit)
const heel = computed(() => (job.drawn.value ? actions.heelToMiddle(job.drawn.value.setup.hold) : 0))
const mm = (pixels: number) => pixels / (viewport.value?.scale ?? 1)

const bladeDrag = useDrag({ move: (dx, dy, gesture) => actions.moveBlade(mm(dx), -mm(dy), gesture) === null })
watch(bladeDrag.dragging, (is) => (grabbed.value = is))

const BLADE_STEP_MM = 0.5
/** Looks at the place of the edge nearest to the pointer. */
function lookAtPointer(pointer: { x: number; y: number }): boolean {
  if (!viewport.value || !job.drawn.value || !sheet.value) return false
  const corner = sheet.value.getBoundingClientRect()
  const point = toDrawing([pointer.x - corner.left, pointer.y - corner.top], viewport.value)
  actions.lookAt(nearestEdgePoint(point, job.drawn.value.setup, job.edgePoints.value).fromHeelMm)
  return true
}
const edgeDrag = useDrag({ move: (_dx, _dy, _gesture, pointer) => lookAtPointer(pointer) })
watch(edgeDrag.dragging, (is) => (grabbed.value = is))
const { slider, keydown } = usePlaceSlider()
</script>

<template>
  <figure class="relative flex min-h-0 min-w-0 flex-col">
    <figcaption class="absolute top-1 left-1.5 rounded-sm bg-default px-1.5 py-1 text-sm text-muted">
      <b class="text-default">Plan</b>, from above<template v-if="job.lookAtMm.value !== null">
        · looking {{ text(job.evaluation.value.edgePoint.fromHeelMm) }} from the heel</template
      >
    </figcaption>
    <div ref="sheet" class="relative min-h-0 flex-1">
      <svg
        v-if="view"
        :viewBox="box"
        class="drawing absolute top-0 left-0 select-none"
        :style="filling"
        role="group"
        aria-label="Plan of the blade in the rig"
      >
        <g v-if="view.handle" :transform="view.bladeTransform">
          <rect v-bind="view.handle" rx="2" class="handle" />
        </g>
        <polygon :points="pointList(view.stone)" class="stone" />
        <line v-bind="lineOf(view.rod)" class="rod" />
        <g class="grip" v-on="bladeDrag.on">
          <path :d="view.bladePath" :transform="view.bladeTransform" class="blade" />
        </g>
        <polyline :points="pointList(view.edge)" class="edge" />
        <rect v-if="view.jaws" v-bind="view.jaws" class="jaw" fill="url(#hatch)" />
        <line v-bind="lineOf(view.frontLine)" class="front" />
        <JawMarksView :view="view.marks" :blade-transform="view.bladeTransform" />
        <line v-bind="lineOf(view.tangent)" class="tangent" />
        <line v-if="view.slide" v-bind="lineOf(view.slide)" class="slide" />
        <g :transform="`translate(${view.pivot[0]} ${view.pivot[1]})`">
          <circle r="7" class="pivot" />
          <path d="M-11 0h22M0-11v22" class="cross" />
        </g>
        <DimensionLine
          :dimension="view.bladeHeight"
          :text="text(job.drawn.value!.evaluation.bladeHeightMm)"
          :focus="job.lookAtMm.value === null ? 'blade-height' : undefined"
          :label-shift="[48, 0]"
        />
        <DimensionLine
          :dimension="view.setback"
          :text="text(-job.drawn.value!.set.contact.foot[1])"
          :label-shift="[0, 62]"
        />
        <DimensionLine
          :dimension="view.heelToMiddle"
          :text="text(heel)"
          focus="clamp-position"
          :label-shift="[0, -15]"
        />
        <DragHandle
          :x="view.heelToMiddle.lineTo[0]"
          :y="view.heelToMiddle.lineTo[1]"
          label="Clamp position, from the heel to the middle of the jaws"
          :now="heel"
          :text="text(heel)"
          @grabbed="grabbed = $event"
          @drag="(dx, _dy, g, taken) => actions.moveBlade(mm(dx), 0, g) === null && taken()"
          @step="(n, g) => actions.moveBlade(n * BLADE_STEP_MM, 0, g)"
        />
        <DragHandle
          :x="view.heightKnob[0]"
          :y="view.heightKnob[1]"
          :turn="90"
          label="Blade height, out of the jaws"
          :now="job.drawn.value!.evaluation.bladeHeightMm"
          :text="text(job.drawn.value!.evaluation.bladeHeightMm)"
          @grabbed="grabbed = $event"
          @drag="(_dx, dy, g, taken) => actions.moveBlade(0, -mm(dy), g) === null && taken()"
          @step="(n, g) => actions.moveBlade(0, n * BLADE_STEP_MM, g)"
        />
        <g
          class="look"
          v-bind="slider"
          :transform="`translate(${view.contact[0]} ${view.contact[1]})`"
          v-on="edgeDrag.on"
          @keydown="keydown"
        >
          <circle cy="-9" r="18" class="reach" />
          <path d="M0 0-8-15H8Z" class="pointer" />
        </g>
        <ScaleBar :scale="viewport!.scale" :x="14" :y="height - 10" />
      </svg>
    </div>
  </figure>
</template>

<style scoped>
.handle {
  fill: var(--rule);
  stroke: var(--steel-line);
  stroke-width: 0.5;
}
.blade {
  fill-opacity: 0.75;
}
.grip {
  cursor: move;
  touch-action: none;
}
.edge,
.jaw,
.front,
.tangent {
  pointer-events: none;
}
.stone {
  fill-opacity: 0.5;
}
.tangent {
  stroke: var(--angle-set);
  stroke-width: 1.4;
  stroke-dasharray: 7 4;
}
.slide {
  stroke: var(--ink-soft);
  stroke-width: 9;
  stroke-linecap: round;
  opacity: 0.35;
}
.cross {
  stroke: var(--ink);
  stroke-width: 1;
}
.look {
  cursor: ew-resize;
  touch-action: none;
  outline: none;
}
.look .reach {
  fill: transparent;
}
.look .pointer {
  fill: var(--angle-set);
  stroke: var(--sheet);
  stroke-width: 1.5;
}
.look:focus-visible .reach {
  stroke: var(--angle-wanted);
  stroke-width: 3;
}
</style>
