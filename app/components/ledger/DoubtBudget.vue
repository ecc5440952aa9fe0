<script setup lang="ts">
import type { DoubtfulMeasure } from '#core/angle/doubt'
import { useBench } from '~/composables/useBench'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { lengthText } from '~/words/lengthText'

/** How sure the set angle is, and which measure to take again first. */
const bench = useBench()
const job = useJob()
const preferences = usePreferences()
const MEASURE_WORD: Record<DoubtfulMeasure, string> = {
  'pivot-height': 'Pivot height',
  setback: 'Setback of the pivot',
  'blade-height': 'Blade height',
  'face-offset': 'Rod to the stone’s face',
}
const set = computed(() => (bench.up.value?.ok ? bench.up.value : null))
const largest = computed(() => set.value?.budget[0]?.shareDeg ?? 1)
/** Shares are compared with each other, so they are told a digit finer than the angle. */
const shareText = (deg: number) => `${deg.toFixed(2)}°`

const LEAST_MM = 0.1

function setTolerance(mm: number): string | null {
  if (mm < LEAST_MM - 1e-9) return `A height out of the jaws is not measured better than ${lengthText(LEAST_MM, preferences.unit)}.`
  return job.change('how well the blade height is known', { bladeHeightToleranceMm: mm })
}
</script>

<template>
  <section v-if="set && job.content" class="w-88 max-w-full space-y-3 p-4" aria-label="How sure is the set angle">
    <p class="flex items-center gap-2"><AngleMark angle="set" /><span>Known to <b>± {{ shareText(set.doubtDeg) }}</b>, by how well each measure is known:</span></p>
    <ol class="space-y-2">
      <li v-for="(share, i) in set.budget" :key="share.measure">
        <span class="flex justify-between gap-2"><span :class="{ 'font-semibold': i === 0 }">{{ MEASURE_WORD[share.measure] }} <span class="text-sm text-muted">± {{ lengthText(share.toleranceMm, preferences.unit) }}</span></span><span>{{ shareText(share.shareDeg) }}</span></span>
        <span class="mt-0.5 block h-1.5 bg-(--angle-set)" :style="{ width: `${(100 * share.shareDeg) / largest}%` }" aria-hidden="true" />
      </li>
    </ol>
    <p class="text-sm text-muted">Take {{ MEASURE_WORD[set.budget[0]!.measure].toLowerCase() }} again first: it adds the most.</p>
    <MeasureField label="Blade height is known to ±" kind="length" focus="blade-height-tolerance" :value="job.content.bladeHeightToleranceMm" :step="0.1" :apply="setTolerance" hint="half a millimetre with a rule" />
  </section>
  <p v-else class="max-w-xs p-4">{{ bench.trouble.value }}</p>
</template>
