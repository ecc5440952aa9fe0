<script setup lang="ts">
import { useWords } from '~/words/useWords'
import { useJob } from '~/job/useJob'
import { useChartColours } from '~/controls/chart/useChartColours'
import { useTask } from '~/workers/useTask'
import { angleText } from '~/words/angleText'

/** The full picture: the angle computed exactly for many draws of every measure, in a worker. */
const job = useJob()
const colours = useChartColours()
const words = useWords()
const { running, done, result, failure, run, stop } = useTask('monteCarlo', () => job.evaluation.value)

const SAMPLES = 100_000
/** The same draws each time, so that two set-ups can be compared. */
const SEED = 0.271828
function draw() {
  const { sides, edgePoint } = job.evaluation.value
  if (!sides.A.ok || !sides.B.ok) return
  const { bladeHeightToleranceMm, holdTolerance } = job.content.value
  void run({
    setup: job.setup.value,
    known: { bladeHeightToleranceMm, holdTolerance },
    edgePoint,
    pivotHeightMm: { A: sides.A.pivotHeightMm, B: sides.B.pivotHeightMm },
    samples: SAMPLES,
    seed: SEED,
  })
}
const spread = computed(() => result.value?.sides[job.side.value] ?? null)
const series = computed(() => {
  const histogram = spread.value?.histogram
  return histogram
    ? [
        {
          name: 'samples',
          data: histogram.counts.map((count, i) => ({
            x: (histogram.fromDeg + i * histogram.stepDeg).toFixed(3),
            y: count,
          })),
        },
      ]
    : []
})
/** A figure under every fourth bin or so, at round degrees. */
const ROUND_DEG = [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10]
const labelled = (text: string): string => {
  const every = ROUND_DEG.find((step) => step >= 4 * (spread.value?.histogram.stepDeg ?? 1) - 1e-9) ?? 20
  const deg = Number(text)
  return Math.abs(deg / every - Math.round(deg / every)) < 1e-3 ? `${deg.toFixed(every < 0.099 ? 2 : 1)}°` : ''
}
const options = computed(() => ({
  plotOptions: { bar: { columnWidth: '96%' } },
  colors: [colours.value.set],
  xaxis: {
    labels: { rotate: 0, hideOverlappingLabels: false, trim: false, formatter: labelled, style: { fontSize: '13px' } },
    axisTicks: { show: false },
  },
  yaxis: { show: false },
  grid: { show: false },
  tooltip: { enabled: false },
}))
const set = computed(() => (job.up.value.ok ? job.up.value : null))
</script>

<template>
  <SheetPane labelledby="sampled">
    <h2 id="sampled" class="font-semibold">The full picture</h2>
    <p class="text-sm text-muted">
      Draws every measure within its tolerance, {{ SAMPLES.toLocaleString('en') }} times, and computes each angle
      exactly.
    </p>
    <TaskButton
      class="mt-2"
      :label="result ? 'Draw again' : 'Draw the samples'"
      :running="running"
      :done="done"
      :most="SAMPLES"
      progress="Samples drawn"
      @start="draw"
      @stop="stop"
    />
    <p v-if="failure" role="alert" class="text-error">{{ words.problem(failure) }}</p>
    <div v-if="spread && set" data-testid="sampled" aria-live="polite">
      <BenchChart
        type="bar"
        :series="series"
        :options="options"
        :height="150"
        :label="`Samples: nineteen in twenty between ${angleText(spread.lowDeg, set.uncertaintyDeg)} and ${angleText(spread.highDeg, set.uncertaintyDeg)}`"
      />
      <p>
        Nineteen in twenty lie between <b>{{ angleText(spread.lowDeg, set.uncertaintyDeg) }}</b> and
        <b>{{ angleText(spread.highDeg, set.uncertaintyDeg) }}</b>: ±
        <span data-testid="sampled-half">{{ spread.halfWidthDeg.toFixed(2) }}</span>°, and ±
        {{ set.uncertaintyDeg.toFixed(2) }}° to first order.
      </p>
      <p v-if="result?.included" class="text-sm text-muted">
        Included: ± {{ result.included.halfWidthDeg.toFixed(2) }}°.
        <template v-if="result.refused > 0">{{ result.refused }} samples had no angle.</template>
      </p>
    </div>
    <p v-else-if="result" class="mt-2 text-error">No sample had an angle on this side.</p>
  </SheetPane>
</template>
