<script setup lang="ts">
import { equalAngleLines } from '#core/geometry/dial/equalAngles'
import { heightRange } from '#core/records/rig/dial'
import { useJob } from '~/job/useJob'
import { whatIfRange, whatIfView, type WhatIfRange } from './whatIfView'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'

/**
 * Blade height against pivot height with lines of equal edge angle; the point is the rig as it stands, and can be
 * dragged.
 */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const size = ref({ width: 0, height: 0 })
const grabbed = ref(false)

const now = computed(() => {
  const [set, evaluation] = [job.up.value, job.evaluation.value]
  return set.ok
    ? {
        bladeHeightMm: evaluation.bladeHeightMm,
        pivotHeightMm: set.pivotHeightMm,
        edgeAngleDeg: set.contact.edgeAngleDeg,
        uncertaintyDeg: set.uncertaintyDeg,
      }
    : null
})
const range = shallowRef<WhatIfRange | null>(null)
// What is shown holds still under the hand; it follows once the point has left it.
watchEffect(() => {
  const rig = job.rig.value
  if (!now.value || grabbed.value) return
  const { bladeHeightMm: b, pivotHeightMm: p } = now.value
  const shown = range.value
  const inside =
    shown &&
    b > shown.blade[0] + 2 &&
    b < shown.blade[1] - 2 &&
    p >= shown.pivot[0] &&
    p <= shown.pivot[1] &&
    p <= heightRange(rig).highestMm
  if (!inside) range.value = whatIfRange(b, p, heightRange(rig))
})
watch(
  () => job.rig.value,
  () => (range.value = null),
)

const STEPS = 24
/** Whole degrees, so many that a dozen lines or so cross the chart. */
const angles = Array.from({ length: 26 }, (_, i) => 8 + i)
const lines = computed(() => {
  const [setup, shown] = [job.drawn.value?.setup, range.value]
  if (!setup || !shown) return null
  const over = { fromMm: shown.blade[0], toMm: shown.blade[1], steps: STEPS }
  const of = (all: readonly number[]) =>
    equalAngleLines(setup, job.side.value, job.evaluation.value.edgePoint, all, over)
  return { whole: of(angles), wanted: of([job.wantedDeg.value]) }
})
const viewOf = (which: 'whole' | 'wanted') =>
  range.value && lines.value && now.value && size.value.width > 0
    ? whatIfView(range.value, lines.value[which], now.value, heldMm.value, size.value, preferences.unit)
    : null
const view = computed(() => viewOf('whole'))
const wanted = computed(() => viewOf('wanted')?.lines[0] ?? null)
const slots = computed(() => {
  const dial = job.rig.value.height
  const shown = range.value
  return dial.by === 'slot' && view.value && shown
    ? dial.slots
        .filter((slot) => slot.heightMm >= shown.pivot[0] && slot.heightMm <= shown.pivot[1])
        .map((slot) => ({ label: slot.label, y: view.value!.at(slot.heightMm) }))
    : []
})
const text = (mm: number) => lengthText(mm, preferences.unit)

/** The blade heights between which the jaws hold it at this place; everything on a table. */
const heldMm = computed(() => job.grip.value.heightsMm(job.content.value.hold, job.evaluation.value.edgePoint))
/** Where the hand has pulled the pivot: on a plate the dial stays in its slot until the hand comes to the next. */
const pulled = { gesture: '', pivotMm: 0 }
function drag(dx: number, dy: number, gesture: string, taken: () => void) {
  if (!view.value || !now.value) return
  if (pulled.gesture !== gesture) Object.assign(pulled, { gesture, pivotMm: now.value.pivotHeightMm })
  const pivotMm = pulled.pivotMm - dy / view.value.perMm[1]
  const bladeMm = now.value.bladeHeightMm + dx / view.value.perMm[0]
  if (actions.setHeights(bladeMm, pivotMm, gesture) !== null) return
  pulled.pivotMm = pivotMm
  taken()
}
const STEP_MM = 0.5
const step = (steps: number, gesture: string, axis: 'x' | 'y') =>
  axis === 'y' ? actions.stepDial(steps, gesture) : actions.moveBlade(0, steps * STEP_MM, gesture)
</script>

<template>
  <SizedDrawing
    v-model:size="size"
    class="h-full min-h-80"
    label="Blade height across, pivot height up, with lines of equal edge angle"
  >
    <template v-if="view && now">
      <defs>
        <clipPath id="what-if-frame"><rect v-bind="view.frame" /></clipPath>
      </defs>
      <AxisTicks :frame="view.frame" side="bottom" :ticks="view.acrossTicks" />
      <AxisTicks :frame="view.frame" side="left" :ticks="view.upTicks" />
      <text :x="view.frame.x + view.frame.width / 2" :y="size.height - 6" text-anchor="middle" class="axis">
        Blade height, {{ preferences.unit }}
      </text>
      <text
        :transform="`translate(14 ${view.frame.y + view.frame.height / 2}) rotate(-90)`"
        text-anchor="middle"
        class="axis"
      >
        Pivot height, {{ preferences.unit }}
      </text>
      <rect
        v-for="(one, i) in view.barred"
        :key="`b${i}`"
        :x="one.x"
        :y="view.frame.y"
        :width="one.width"
        :height="view.frame.height"
        fill="url(#barred)"
      />
      <g v-for="slot in slots" :key="slot.label">
        <line :x1="view.frame.x" :y1="slot.y" :x2="view.frame.x + view.frame.width" :y2="slot.y" class="slot" />
        <text :x="view.frame.x + 6" :y="slot.y - 4" class="slot-label">slot {{ slot.label }}</text>
      </g>
      <g clip-path="url(#what-if-frame)">
        <polyline
          v-for="one in view.lines"
          :key="one.edgeAngleDeg"
          :points="one.points"
          class="equal"
          :class="{ five: one.edgeAngleDeg % 5 === 0 }"
        />
        <polyline v-if="wanted" :points="wanted.points" class="wanted" />
      </g>
      <text
        v-for="one in view.lines.filter((l) => l.edgeAngleDeg % 2 === 0 || view!.lines.length < 14)"
        :key="`t${one.edgeAngleDeg}`"
        :x="one.label[0] + 6"
        :y="Math.max(one.label[1] + 5, view.frame.y + 8)"
        class="equal-label"
      >
        {{ one.edgeAngleDeg }}°
      </text>
      <rect v-bind="view.frame" class="frame" />
      <g :transform="`translate(${view.point[0]} ${view.point[1]})`" class="now">
        <path :d="`M${view.frame.x - view.point[0]} 0H0V${view.frame.y + view.frame.height - view.point[1]}`" />
      </g>
      <DragHandle
        :x="view.point[0]"
        :y="view.point[1]"
        both
        label="The rig as it stands: blade height with left and right, dial with up and down"
        :now="now.edgeAngleDeg"
        :text="`${text(now.bladeHeightMm)} out, pivot at ${text(now.pivotHeightMm)}: ${angleText(now.edgeAngleDeg, now.uncertaintyDeg)}`"
        @grabbed="grabbed = $event"
        @drag="drag"
        @step="step"
      />
      <FigureTag
        :x="Math.min(view.point[0] + 58, view.frame.x + view.frame.width - 40)"
        :y="Math.max(view.point[1] - 34, view.frame.y + 20)"
        :text="angleText(now.edgeAngleDeg, now.uncertaintyDeg)"
        class="angle"
      />
    </template>
  </SizedDrawing>
</template>

<style scoped>
.axis,
.equal-label {
  fill: var(--ink);
  font-size: 14px;
}
.axis {
  font-weight: 600;
}
.frame {
  fill: none;
  stroke: var(--ui-border-accented);
}
.equal {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1;
}
.equal.five {
  stroke-width: 2;
}
.slot {
  stroke: var(--iron);
  stroke-width: 2.5;
  opacity: 0.7;
}
.slot-label {
  fill: var(--ink);
  font-size: 13px;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
.now path {
  fill: none;
  stroke: var(--angle-set);
  stroke-width: 1.2;
  stroke-dasharray: 6 4;
}
.angle {
  color: var(--angle-set);
}
</style>
