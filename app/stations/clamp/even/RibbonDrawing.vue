<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { useDrag } from '~/drawing/useDrag'
import { useEven } from './useEven'
import { useViewport } from '~/drawing/useViewport'
import { ribbonBounds, ribbonView } from './ribbonView'
import { lineOf } from '~/drawing/viewport'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'

/**
 * The blade in its jaws with the deviation as a band along its edge; the blade can be dragged and turned, and
 * everything follows.
 */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const { along } = useEven()
const sheet = ref<HTMLElement | null>(null)
const grabbed = ref(false)
const bounds = () => (job.drawn.value ? ribbonBounds(job.drawn.value.setup, job.edgePoints.value) : null)
const { viewport, box } = useViewport(sheet, bounds, grabbed, { x: 74, top: 66, bottom: 34 })
const view = computed(() => {
  const drawn = job.drawn.value
  return drawn && viewport.value
    ? ribbonView(
        drawn.setup,
        along.value.length > 0 ? along.value : drawn.set.along,
        job.edgePoints.value,
        job.wantedDeg.value,
        viewport.value,
      )
    : null
})
const mm = (pixels: number) => pixels / (viewport.value?.scale ?? 1)
const drag = useDrag({ move: (dx, dy, gesture) => actions.moveBlade(mm(dx), -mm(dy), gesture) === null })
watch(drag.dragging, (is) => (grabbed.value = is))
const turn = computed(() => job.content.value.hold.turnDeg)
const heel = computed(() => actions.heelToMiddle(job.content.value.hold))
const STEP = { mm: 0.5, deg: 0.5 } as const
/** Degrees for a pixel, when the turn is dragged. */
const TURN_PER_PX = 0.08
</script>

<template>
  <div ref="sheet" class="relative">
    <svg
      v-if="view"
      :viewBox="box"
      class="drawing absolute inset-0 size-full select-none"
      role="group"
      aria-label="The blade in its jaws, with the deviation from the wanted angle along its edge"
    >
      <rect v-if="view.jaws" v-bind="view.jaws" class="jaw" fill="url(#hatch)" />
      <g class="grip" v-on="drag.on"><path :d="view.bladePath" :transform="view.bladeTransform" class="blade" /></g>
      <JawMarksView :view="view.marks" :blade-transform="view.bladeTransform" />
      <polygon
        v-for="(band, i) in view.bands"
        :key="i"
        :points="band.points"
        class="band"
        :fill="band.steeper ? 'var(--angle-set)' : 'url(#flatter)'"
      />
      <polyline :points="view.edge" class="edge" />
      <g v-if="view.worst && Math.abs(view.worst.deg) >= 0.05" class="worst">
        <line v-bind="lineOf([view.worst.at, view.worst.tag])" />
        <FigureTag :x="view.worst.tag[0]" :y="Math.max(view.worst.tag[1], 20)" :text="differenceText(view.worst.deg)" />
      </g>
      <DragHandle
        v-if="viewport"
        :x="viewport.originX"
        :y="viewport.originY - 4"
        both
        label="The blade in its jaws: along them with left and right, out with up and down"
        :now="heel"
        :text="lengthText(heel, preferences.unit)"
        @grabbed="grabbed = $event"
        @drag="(dx, dy, g, taken) => actions.moveBlade(mm(dx), -mm(dy), g) === null && taken()"
        @step="
          (n, g, axis) => (axis === 'x' ? actions.moveBlade(n * STEP.mm, 0, g) : actions.moveBlade(0, n * STEP.mm, g))
        "
      />
      <DragHandle
        v-if="viewport"
        :x="viewport.originX + 64"
        :y="viewport.originY - 4"
        :turn="90"
        label="Turn in the jaws"
        :now="turn"
        :text="angleText(turn)"
        @grabbed="grabbed = $event"
        @drag="(_dx, dy, g, taken) => actions.setTurn(turn - dy * TURN_PER_PX, g) === null && taken()"
        @step="(n, g) => actions.setTurn(turn + n * STEP.deg, g)"
      />
    </svg>
  </div>
</template>

<style scoped>
.blade {
  fill-opacity: 0.75;
}
.grip {
  cursor: move;
  touch-action: none;
}
.edge,
.band,
.worst {
  pointer-events: none;
}
.band {
  stroke: var(--angle-set);
  stroke-width: 1;
}
.worst {
  color: var(--angle-set);
}
.worst line {
  stroke: var(--angle-set);
  stroke-width: 1.2;
}
</style>
