<script setup lang="ts">
import { APEX_WORN_MM } from '#core/steel/removal/plan'
import { fromMm } from '#core/math/units/length'
import { useChartColours } from '~/controls/chart/useChartColours'
import { MORE, useLife, type LifeStage } from './useLife'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { steelText } from '~/words/decisionText'
import { bevelFigure, exactLength, lengthText } from '~/words/lengthText'
import { lifeDueText } from '~/words/lifeText'
import { momentText } from '~/words/momentText'
import { forecastText } from '~/words/planText'
import { problemText } from '~/words/problemText'

/** What sharpening does to the blade over its life: its section, its bevel and its thickness, and when to thin it. */
const job = useJob()
const preferences = usePreferences()
const colours = useChartColours()
const { ground, oneSided, side, whole, mostMm, due, micro, stages, charted, measured, thinning } = useLife()
const name = computed(() => preferences.current.sideNames[job.side.value])
const unit = computed(() => preferences.unit)
const STAGE_WORD: Record<LifeStage['look'], string> = {
  now: 'now',
  then: 'after this job',
  later: `after ${MORE} more`,
}
const figure = (mm: number) => Number(fromMm(mm, unit.value).toFixed(unit.value === 'in' ? 4 : 3))
const series = computed(() => [
  {
    name: 'bevel width',
    data: charted.value.map(({ sharpenings, bevelMm }) => ({ x: sharpenings, y: figure(bevelMm) })),
  },
  {
    name: 'thickness behind the edge',
    data: charted.value.map(({ sharpenings, thicknessMm }) => ({ x: sharpenings, y: figure(whole(thicknessMm)) })),
  },
  ...(measured.value.length > 0
    ? [
        {
          name: 'bevel width, measured',
          type: 'scatter',
          data: measured.value.map(({ sharpenings, widthMm }) => ({ x: sharpenings, y: figure(widthMm) })),
        },
      ]
    : []),
])
const whenText = (sharpenings: number): string =>
  sharpenings > 0
    ? 'after this job'
    : sharpenings === 0
      ? 'as it is now'
      : `${-sharpenings} ${sharpenings === -1 ? 'sharpening' : 'sharpenings'} ago`
/** The chart begins at a round number, before the first measure. */
const ROUND = 20
const leastCharted = computed(() =>
  Math.min(0, ...measured.value.map(({ sharpenings }) => Math.floor(sharpenings / ROUND) * ROUND)),
)
/** Where on the chart thinning comes due. */
const dueAt = computed(() =>
  due.value?.is === 'thin-later'
    ? [
        {
          x: due.value.sharpenings,
          borderColor: colours.value.ink,
          strokeDashArray: 3,
          label: { text: 'thin it', orientation: 'horizontal' as const },
        },
      ]
    : [],
)
const options = computed(() => ({
  colors: [colours.value.ink, colours.value.iron, colours.value.ink],
  stroke: { width: [3, 3, 0], curve: 'straight' as const, dashArray: [0, 6, 0] },
  markers: { size: [0, 0, 7] },
  xaxis: {
    type: 'numeric' as const,
    min: leastCharted.value,
    title: { text: 'Sharpenings from now on', style: { fontSize: '14px' } },
    tickAmount: leastCharted.value < 0 ? 7 : 6,
    labels: { formatter: (value: string) => String(Math.round(Number(value))), style: { fontSize: '13px' } },
    tooltip: { enabled: false },
  },
  yaxis: {
    min: 0,
    title: { text: unit.value, style: { fontSize: '14px' } },
    labels: { formatter: (value: number) => value.toFixed(unit.value === 'in' ? 3 : 1), style: { fontSize: '14px' } },
  },
  legend: { position: 'top' as const, fontSize: '14px' },
  annotations: { xaxis: dueAt.value },
}))
</script>

<template>
  <p v-if="!ground.ok" class="pane text-error">{{ problemText(ground, unit) }}</p>
  <div v-else-if="side" class="panes lg:grid-cols-2">
    <SheetPane labelledby="life-section" class="space-y-2">
      <div class="flex flex-wrap items-center justify-between gap-3">
        <h2 id="life-section" class="text-lg font-semibold">
          {{ name }}, {{ lengthText(side.firstDue.fromHeelMm, unit) }} from the heel, at
          {{ angleText(side.firstDue.place.newDeg) }}
        </h2>
        <SideSwitch />
      </div>
      <SectionLife :stages="stages" :one-sided="oneSided" />
      <table class="w-full" data-testid="life-stages">
        <thead>
          <tr class="text-left text-sm text-muted *:font-normal">
            <th>when</th>
            <th class="text-right">bevel, {{ unit }}</th>
            <th class="text-right">behind the edge, {{ unit }}</th>
            <th class="text-right">height lost, {{ unit }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="stage in stages" :key="stage.look" class="border-t border-default">
            <th class="py-1 text-left font-semibold">{{ STAGE_WORD[stage.look] }}</th>
            <td class="text-right">{{ bevelFigure(stage.bevelMm, unit) }}</td>
            <td class="text-right">{{ bevelFigure(whole(stage.thicknessMm), unit) }}</td>
            <td class="text-right">{{ bevelFigure(stage.lostMm, unit) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="text-sm text-muted">
        Where it is too thick first. Filled: as it is; full line: after this job; dashed: after {{ MORE }} more. Each
        sharpening takes {{ exactLength(APEX_WORN_MM, unit) }} off the apex.
        <template v-if="micro"
          >At the apex the micro-bevel of {{ angleText(micro.deg) }}, {{ exactLength(micro.widthMm, unit) }} wide, drawn
          with it.</template
        >
      </p>
    </SheetPane>
    <SheetPane labelledby="life-thin" class="space-y-2">
      <div v-if="due" class="flex items-center gap-1">
        <h2 id="life-thin" class="text-lg font-semibold" data-testid="life-due">{{ lifeDueText(due) }}</h2>
        <TermHelp label="Thinning" />
      </div>
      <p>
        An edge of {{ angleText(job.wantedDeg.value) }} is usual for work that asks for no more than
        {{ lengthText(mostMm, unit) }} behind it.
      </p>
      <p v-if="thinning" data-testid="life-thinning">
        Grind at <b class="figure">{{ angleText(thinning.deg) }}</b> a side, just over the flat of the blade, and stay
        <b>{{ lengthText(thinning.keepOffMm, unit) }}</b> off the edge. It takes
        {{ steelText(thinning.removedMm3, unit) }} on this side<template v-if="thinning.stone && thinning.strokes"
          >: {{ forecastText(thinning.strokes) }} strokes with {{ thinning.stone.name }}</template
        >. Then the new edge, as under
        <NuxtLink class="text-link" :to="sheetPath(job.id, 'grind', 'plan')">Plan</NuxtLink>.
      </p>
      <BenchChart
        type="line"
        :series="series"
        :options="options"
        :height="300"
        label="Bevel width and thickness behind the edge, by the number of sharpenings. The table has the figures."
      />
      <ul v-if="measured.length > 0" class="text-sm" data-testid="life-measured">
        <li v-for="one in measured" :key="one.at">
          Measured {{ momentText(one.at) }}, {{ whenText(one.sharpenings) }}: {{ bevelFigure(one.widthMm, unit) }} ±
          {{ bevelFigure(one.uncertaintyMm, unit) }} {{ unit }}
        </li>
      </ul>
    </SheetPane>
  </div>
  <p v-else class="pane">
    Side {{ name }} of this blade is its flat back: it gets no bevel.
    <button type="button" class="text-link" @click="job.turnOver()">Turn it over</button>
  </p>
</template>
