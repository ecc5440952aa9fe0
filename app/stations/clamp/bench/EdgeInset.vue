<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { edgeView } from './edgeView'
import { lineOf, pointList } from '~/drawing/viewport'
import { usePreferences } from '~/stores/preferences'
import { fromMm } from '#core/math/units/length'

/** The edge magnified: the bevel that this setting grinds, beside the one that is wanted. */
const job = useJob()
const preferences = usePreferences()
const size = ref({ width: 0, height: 0 })
const view = computed(() => {
  const drawn = job.drawn.value
  const { width, height } = size.value
  return drawn && width > 0
    ? edgeView(drawn.setup.blade, drawn.set.contact.edgeAngleDeg, job.toSetDeg.value, width, height)
    : null
})
/** Bevels are small: a hundredth of a millimetre is told, as far as the thickness behind the edge is known. */
const fine = (mm: number) =>
  `${fromMm(mm, preferences.unit).toFixed(preferences.unit === 'mm' ? 2 : 3)} ${preferences.unit}`
const spoken = computed(() => {
  if (!view.value) return 'The edge magnified'
  const { times, bevelSetMm, bevelWantedMm } = view.value
  return `The edge magnified ${times} times: bevel ${fine(bevelSetMm)} wide as set, ${fine(bevelWantedMm)} as wanted`
})
</script>

<template>
  <SizedDrawing v-model:size="size" class="overflow-hidden" role="img" :label="spoken">
    <template v-if="view">
      <line v-bind="lineOf(view.face)" class="face" />
      <polygon :points="pointList(view.steel)" class="steel" />
      <line v-bind="lineOf(view.wanted)" class="wanted" />
    </template>
    <template v-if="view" #over>
      <p class="absolute top-1.5 right-3 text-right text-sm text-muted">
        <b class="text-default">Edge</b>, {{ view.times }} times
      </p>
      <dl class="absolute right-3 bottom-1.5 text-right text-sm">
        <div class="flex items-center justify-end gap-1">
          <dt class="flex items-center gap-1 text-muted"><AngleMark angle="set" class="size-4!" />bevel</dt>
          <dd>{{ fine(view.bevelSetMm) }}</dd>
        </div>
        <div class="flex items-center justify-end gap-1">
          <dt class="flex items-center gap-1 text-muted"><AngleMark angle="wanted" class="size-4!" />bevel</dt>
          <dd>{{ fine(view.bevelWantedMm) }}</dd>
        </div>
      </dl>
    </template>
  </SizedDrawing>
</template>

<style scoped>
.steel {
  fill: var(--steel);
  stroke: var(--steel-line);
  stroke-width: 1.2;
  stroke-linejoin: round;
}
.face {
  stroke: var(--angle-set);
  stroke-width: 2;
}
</style>
