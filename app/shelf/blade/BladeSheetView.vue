<script setup lang="ts">
import { nth, lastOf } from '#core/math/list'
import { outlinePath } from '#core/records/blade/outline'
import type { ShapeMeasure } from '#core/records/blade/shapeMeasures'
import { type Zone, zoneMiddleMm } from '#core/records/blade/zones'
import type { Segment } from '#core/math/curve/segment'
import type { EdgePoint } from '#core/math/curve/edgePoints'
import { useViewport } from '~/drawing/useViewport'
import { dimension } from '~/drawing/dimension'
import { boundsOf, pointList, toPixels } from '~/drawing/viewport'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'
import { SHAPE_MEASURE_WORD } from '~/words/shapeText'
import { zoneName } from '~/words/zoneText'
import type { Vec2 } from '#core/math/vector/vec2'

/** A blade being described, to scale: its outline, its zones, and knobs for the measures of its shape. */
const props = defineProps<{
  outline: { edge: Segment[]; spine: Segment[] | null; widthMm: number }
  edgePoints: readonly EdgePoint[]
  zones: readonly Zone[]
  /** The measures that can be dragged; empty for a shape that is not of the library. */
  uses: readonly ShapeMeasure[]
  measureMm: (key: ShapeMeasure) => number | null
}>()
const emit = defineEmits<{ set: [key: ShapeMeasure, mm: number] }>()
const preferences = usePreferences()
const frame = ref<HTMLElement | null>(null)
const grabbed = ref(false)
const bounds = () =>
  props.edgePoints.length > 0
    ? boundsOf([
        ...props.edgePoints.map((edgePoint) => edgePoint.point),
        [0, 0],
        [lastOf(props.edgePoints).point[0], 0],
      ])
    : null
const { viewport, box } = useViewport(frame, bounds, grabbed, { x: 70, top: 76, bottom: 76 })
const px = (p: Vec2) => toPixels(p, viewport.value!)
/** The blade frame as it lies on the sheet. */
const transform = computed(() =>
  viewport.value
    ? `matrix(${viewport.value.scale} 0 0 ${-viewport.value.scale} ${viewport.value.originX} ${viewport.value.originY})`
    : '',
)
const edgePolyline = computed(() =>
  viewport.value ? pointList(props.edgePoints.map((edgePoint) => px(edgePoint.point))) : '',
)
const outline = computed(() => outlinePath(props.outline))
const tip = computed(() => lastOf(props.edgePoints).point)
const marks = computed(() =>
  viewport.value
    ? props.zones
        .slice(1)
        .map((zone) =>
          px(
            props.edgePoints.reduce((best, edgePoint) =>
              Math.abs(edgePoint.fromHeelMm - zone.fromMm) < Math.abs(best.fromHeelMm - zone.fromMm) ? edgePoint : best,
            ).point,
          ),
        )
    : [],
)
const names = computed(() =>
  viewport.value
    ? props.zones.map((zone, i) => {
        const middle = props.edgePoints.reduce((best, edgePoint) =>
          Math.abs(edgePoint.fromHeelMm - zoneMiddleMm(zone)) < Math.abs(best.fromHeelMm - zoneMiddleMm(zone))
            ? edgePoint
            : best,
        )
        const [x, y] = px(middle.point)
        return {
          name: zoneName(props.zones, i),
          at: [x + -middle.heading[1] * 20, y - middle.heading[0] * 20] as const,
        }
      })
    : [],
)
/** How far the dimension line of the length stands below the spine. */
const LENGTH_LINE_PX = 44
const overall = computed(() =>
  viewport.value
    ? {
        length: dimension(px([0, 0]), px([tip.value[0], 0]), LENGTH_LINE_PX),
        width: dimension(px([0, 0]), px([0, nth(props.edgePoints, 0).point[1]]), 34),
      }
    : null,
)

/** Where each knob stands, and along which axis it goes. */
const knobs = computed(() => {
  if (!viewport.value) return []
  const m = (key: ShapeMeasure) => props.measureMm(key) ?? 0
  const place: Record<ShapeMeasure, { at: Vec2; axis: 'x' | 'y'; belowPx?: number }> = {
    // On the end of its dimension line, clear of the tip's own knob.
    lengthMm: { at: [m('lengthMm'), 0], axis: 'x', belowPx: LENGTH_LINE_PX },
    heelWidthMm: { at: [0, m('heelWidthMm')], axis: 'y' },
    widthMm: { at: [m('bellyFromMm'), m('widthMm')], axis: 'y' },
    bellyFromMm: { at: [m('bellyFromMm'), props.outline.widthMm * 0.45], axis: 'x' },
    tipDropMm: { at: [m('lengthMm') * 0.93, m('tipDropMm')], axis: 'y' },
    depthMm: { at: [m('lengthMm') * 0.35, m('heelWidthMm') - m('depthMm')], axis: 'y' },
  }
  return props.uses.map((key) => {
    const { at, axis, belowPx = 0 } = place[key]
    const [x, y] = px(at)
    return { key, now: m(key), x, y: y + belowPx, axis }
  })
})
const STEP_MM = 0.5
/** How a measure grows along the sheet: a hollow gets deeper downward. */
const grows = (key: ShapeMeasure) => (key === 'depthMm' ? -1 : 1)
function drag(knob: { key: ShapeMeasure; now: number; axis: 'x' | 'y' }, dx: number, dy: number, taken: () => void) {
  const moved = (knob.axis === 'x' ? dx : -dy) / viewport.value!.scale
  if (Math.abs(moved) < 0.1) return
  emit('set', knob.key, Math.max(0, knob.now + grows(knob.key) * moved))
  taken()
}
</script>

<template>
  <div ref="frame" class="relative h-full">
    <svg
      v-if="viewport && overall"
      :viewBox="box"
      class="drawing absolute inset-0 size-full select-none"
      role="group"
      aria-label="The blade to scale"
    >
      <path :d="outline" :transform="transform" class="blade" />
      <polyline :points="edgePolyline" class="edge" />
      <path v-for="(mark, i) in marks" :key="`m${i}`" :d="`M${mark[0]} ${mark[1] - 9}v18`" class="mark" />
      <text v-for="(name, i) in names" :key="`n${i}`" :x="name.at[0]" :y="name.at[1]" text-anchor="middle" class="zone">
        {{ name.name }}
      </text>
      <DimensionLine :dimension="overall.length" :text="lengthText(tip[0], preferences.unit)" />
      <DimensionLine :dimension="overall.width" :text="lengthText(edgePoints[0]!.point[1], preferences.unit)" />
      <DragHandle
        v-for="knob in knobs"
        :key="knob.key"
        :x="knob.x"
        :y="knob.y"
        :turn="knob.axis === 'x' ? 0 : 90"
        :label="SHAPE_MEASURE_WORD[knob.key]"
        :now="knob.now"
        :text="lengthText(knob.now, preferences.unit)"
        @grabbed="grabbed = $event"
        @drag="(dx, dy, _g, taken) => drag(knob, dx, dy, taken)"
        @step="(n) => emit('set', knob.key, Math.max(0, knob.now + grows(knob.key) * n * STEP_MM))"
      />
    </svg>
  </div>
</template>

<style scoped>
.blade {
  fill-opacity: 0.6;
}
.mark {
  stroke: var(--ink-soft);
  stroke-width: 1.4;
}
.zone {
  fill: var(--ink-soft);
  font-size: 14px;
}
</style>
