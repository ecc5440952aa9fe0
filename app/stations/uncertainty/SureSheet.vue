<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import type { UncertaintyShare } from '#core/uncertainty/budget'
import { useJob } from '~/job/useJob'
import { useChartColours } from '~/controls/chart/useChartColours'
import { MEASURE_OF, MEASURE_WORD } from '~/words/measureText'
import { angleText } from '~/words/angleText'
import { usePreferences } from '~/stores/preferences'
import { toleranceText } from '~/words/toleranceText'

/**
 * How sure the set angle is: what adds to its uncertainty, which measure to take again first, and the samples that
 * check it.
 */
const job = useJob()
const preferences = usePreferences()
const colours = useChartColours()
const set = computed(() => (job.up.value.ok ? job.up.value : null))
/** What adds nothing that could be seen is left out of the chart. */
const shares = computed(() => set.value?.budget.filter((share) => share.shareDeg >= 0.005) ?? [])
const ROW = 34
const narrow = useMediaQuery('(max-width: 640px)')
const series = computed(() => [
  {
    name: 'adds',
    data: shares.value.map((share) => ({ x: MEASURE_WORD[share.id], y: Number(share.shareDeg.toFixed(3)) })),
  },
])
const options = computed(() => ({
  chart: { sparkline: { enabled: false } },
  plotOptions: { bar: { horizontal: true, barHeight: '58%', borderRadius: 0, distributed: true } },
  colors: shares.value.map((_, i) => (i === 0 ? colours.value.set : colours.value.iron)),
  legend: { show: false },
  xaxis: {
    // As many figures as stand beside each other.
    tickAmount: narrow.value ? 2 : 4,
    labels: { formatter: (value: string) => `${Number(value).toFixed(2)}°`, style: { fontSize: '14px' } },
    axisTicks: { show: false },
  },
  yaxis: { labels: { maxWidth: 230, offsetY: 4, style: { fontSize: '15px' } } },
  grid: { xaxis: { lines: { show: true } }, yaxis: { lines: { show: false } } },
  tooltip: { enabled: false },
}))
const fractionText = (share: UncertaintyShare) =>
  `${MEASURE_WORD[share.id]} ± ${toleranceText(share, preferences.unit)} adds ${share.shareDeg.toFixed(2)}°`
const WHERE = {
  rig: 'Measure the rig again',
  hold: 'Take it again, and say how well it is known now',
  blade: 'Measure the blade again',
  stone: 'Measure the stone again',
} as const
const first = computed(() => set.value?.budget[0] ?? null)
</script>

<template>
  <div v-if="set && first" class="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
    <SheetPane labelledby="adds">
      <div class="flex flex-wrap items-end justify-between gap-x-6 gap-y-1">
        <h2 id="adds" class="flex items-center gap-2 text-lg">
          <AngleMark angle="set" />Side {{ preferences.current.sideNames[job.side.value] }} is known to
        </h2>
        <SideSwitch />
      </div>
      <p class="figure text-4xl" data-testid="known-to">± {{ set.uncertaintyDeg.toFixed(2) }}°</p>
      <p class="mt-1">
        Take <b>{{ MEASURE_WORD[first.id].toLowerCase() }}</b> again first: it adds {{ first.shareDeg.toFixed(2) }}°.
        <span class="text-muted">{{ WHERE[MEASURE_OF[first.id]] }}.</span>
      </p>
      <BenchChart
        class="mt-2"
        type="bar"
        :series="series"
        :options="options"
        :height="shares.length * ROW + 46"
        :label="`What adds to the uncertainty, largest first: ${shares.map(fractionText).join('; ')}`"
      />
      <p class="text-sm text-muted">
        Bars: what each measure alone does to the edge angle at
        {{ angleText(set.contact.edgeAngleDeg, set.uncertaintyDeg) }}, to first order; in quadrature they make the
        uncertainty. Nineteen angles in twenty lie within it.
        <template v-if="shares.some(({ tiedTo }) => tiedTo)">
          Measures that were calibrated together are correlated, and count for less.
        </template>
      </p>
    </SheetPane>
    <div class="space-y-3">
      <SampledSpread />
      <HoldTolerances />
    </div>
  </div>
  <p v-else class="pane">{{ job.trouble.value }}</p>
</template>
