<script setup lang="ts">
import { RIGS } from '#core/records/rig/kinds'
import { useJob } from '~/job/useJob'
import { useViewport } from '~/drawing/useViewport'
import { sectionBounds, sectionView } from './sectionView'
import { lineOf, pointList } from '~/drawing/viewport'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'

const job = useJob()

const { actions } = job
const preferences = usePreferences()
const sheet = ref<HTMLElement | null>(null)
const grabbed = ref(false)

const bounds = () =>
  job.drawn.value ? sectionBounds(job.drawn.value.setup, job.drawn.value.set, job.drawn.value.side) : null
const { viewport, box, filling, height } = useViewport(sheet, bounds, grabbed, { x: 62, top: 48, bottom: 76 })
const view = computed(() => {
  const drawn = job.drawn.value
  return drawn && viewport.value
    ? sectionView(drawn.setup, drawn.set, drawn.side, job.toSetDeg.value, viewport.value)
    : null
})
const set = computed(() => job.drawn.value!.set)
const text = (mm: number) => lengthText(mm, preferences.unit)

/** How far a drag went along a direction of the sheet, mm. */
const along = (direction: readonly [number, number], dx: number, dy: number) =>
  (direction[0] * dx - direction[1] * dy) / (viewport.value?.scale ?? 1)
/**
 * The height the hand has pulled the pivot to: the dial may stay at its nearest slot until the hand comes to the next.
 */
const pulled = { gesture: '', heightMm: 0 }
function dragPivot(dx: number, dy: number, gesture: string, taken: () => void) {
  if (!view.value) return
  if (pulled.gesture !== gesture) Object.assign(pulled, { gesture, heightMm: actions.pivotHeightNow() ?? 0 })
  const heightMm = pulled.heightMm + along(view.value.pivotDirection, dx, dy)
  if (actions.setPivotHeight(heightMm, gesture) !== null) return
  pulled.heightMm = heightMm
  taken()
}
const turnOf = (direction: readonly [number, number]) => (Math.atan2(direction[1], direction[0]) * 180) / Math.PI
</script>

<template>
  <figure class="relative flex min-h-0 min-w-0 flex-col">
    <figcaption class="absolute top-1 left-1.5 rounded-sm bg-default px-1.5 py-1 text-sm text-muted">
      <b class="text-default">Section</b><span class="lg:max-xl:hidden">, square to the edge</span>
    </figcaption>
    <div ref="sheet" class="relative min-h-0 flex-1">
      <svg
        v-if="view"
        :viewBox="box"
        class="drawing absolute top-0 left-0 select-none"
        :style="filling"
        role="group"
        aria-label="Section through blade, pivot and stone"
      >
        <polygon v-if="view.table" :points="pointList(view.table)" class="jaw" fill="url(#hatch)" />
        <line v-bind="lineOf(view.post)" class="post" />
        <line v-bind="lineOf(view.clampPlane)" class="plane" />
        <line v-bind="lineOf(view.centrePlane)" class="plane" />
        <polygon :points="pointList(view.stone)" class="stone" />
        <line v-bind="lineOf(view.rod)" class="rod" />
        <line v-bind="lineOf(view.face)" class="face" />
        <polygon :points="pointList(view.blade)" class="blade" />
        <polygon v-for="(jaw, i) in view.jaws" :key="i" :points="pointList(jaw)" class="jaw" fill="url(#hatch)" />
        <line v-bind="lineOf(view.wantedRay)" class="wanted" />
        <path :d="view.arc" class="arc" />
        <DimensionLine :dimension="view.distance" :text="text(set.contact.distanceMm)" />
        <DimensionLine
          v-if="view.bladeHeight"
          :dimension="view.bladeHeight"
          :text="text(job.drawn.value!.evaluation.bladeHeightMm)"
          :focus="job.lookAtMm.value === null ? 'blade-height' : undefined"
        />
        <DimensionLine :dimension="view.pivotHeight" :text="text(set.pivotHeightMm)" focus="pivot-height" />
        <line v-bind="lineOf([view.arcMiddle, view.arcLabel])" class="leader" />
        <FigureTag
          :x="view.arcLabel[0]"
          :y="view.arcLabel[1]"
          :text="angleText(set.contact.edgeAngleDeg, set.uncertaintyDeg)"
          class="angle"
        />
        <DragHandle
          :x="view.pivot[0]"
          :y="view.pivot[1]"
          :turn="turnOf(view.pivotDirection)"
          label="Pivot height"
          :now="set.pivotHeightMm"
          :text="text(set.pivotHeightMm)"
          @grabbed="grabbed = $event"
          @drag="dragPivot"
          @step="(n, g) => actions.stepDial(n, g)"
        />
        <ScaleBar :scale="viewport!.scale" :x="14" :y="height - 10" />
      </svg>
    </div>
    <EdgeInset
      v-if="job.drawn.value && !RIGS[job.drawn.value.setup.rig.kind].twoArms"
      class="h-28 shrink-0 border-t border-muted"
    />
  </figure>
</template>

<style scoped>
.face {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.arc {
  fill: none;
  stroke: var(--angle-set);
  stroke-width: 2.4;
}
.leader {
  stroke: var(--angle-set);
  stroke-width: 1.2;
}
.angle {
  color: var(--angle-set);
}
</style>
