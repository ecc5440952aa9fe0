<script setup lang="ts">
import { bladeLife } from '#core/steel/removal/life'
import {
  APEX_WORN_MM,
  sharpeningsLeft,
  thickEnoughMm,
  THINNED_OVER_DEG,
  thinningStopsAtMm,
} from '#core/steel/removal/plan'
import { isStrop } from '#core/steel/stones/orders'
import { strokesToRemove } from '#core/steel/stones/rate'
import { fromMm } from '#core/math/units/length'
import { lastOf } from '#core/math/list'
import { useChartColours } from '~/controls/chart/useChartColours'
import { usePlan } from '../plan/usePlan'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { roughCount, steelText } from '~/words/decisionText'
import { bevelFigure, exactLength, lengthText } from '~/words/lengthText'
import { placeText } from '~/words/placeText'
import { forecastText } from '~/words/planText'
import { problemText } from '~/words/problemText'

/** What sharpening does to the blade over its life: its section, its bevel and its thickness, and when to thin it. */
const job = useJob()
const preferences = usePreferences()
const colours = useChartColours()
const { ground, box, rateOf } = usePlan()
const MORE = 10
const CHARTED = 40
const names = computed(() => preferences.current.sideNames)
const unit = computed(() => preferences.unit)
const oneSided = computed(() => job.blade.value.bevels === 'A')
const side = computed(() =>
  ground.value.ok ? (ground.value.sides.find((one) => one.side === job.side.value) ?? null) : null,
)

/** What is behind the edge in all: of a blade with two bevels both halves. */
const whole = (mm: number) => (oneSided.value ? mm : 2 * mm)
const stages = computed(() => {
  if (!side.value) return []
  const [now, then, later] = bladeLife(side.value.atDial, [0, 1, 1 + MORE])
  return [
    { name: 'now', look: 'now' as const, after: now },
    { name: 'after this job', look: 'then' as const, after: then },
    { name: `after ${MORE} more`, look: 'later' as const, after: later },
  ].flatMap(({ after, ...one }) => (after ? [{ ...one, ...after }] : []))
})
const reachMm = computed(() => Math.max(0.5, ...stages.value.map(({ bevelMm, lostMm }) => lostMm + 1.5 * bevelMm)))
/** Thicker than this behind the edge, in all, it is too thick for its angle. */
const mostMm = computed(() => thickEnoughMm(job.wantedDeg.value))
/** Sharpenings until it is, at this place; the same of one half where both are bevelled. */
const half = computed(() => mostMm.value * (oneSided.value ? 1 : 0.5))
const left = computed(() => (side.value ? sharpeningsLeft(side.value.atDial, half.value) : 0))
/** So many are drawn: a round number. */
const most = computed(() => Math.min(960, Math.max(60, Math.ceil((1.3 * left.value) / 60) * 60)))
const line = computed(() =>
  side.value
    ? bladeLife(
        side.value.atDial,
        Array.from({ length: CHARTED + 1 }, (_, i) => Math.round((i * most.value) / CHARTED)),
      )
    : [],
)
const figure = (mm: number) => Number(fromMm(mm, unit.value).toFixed(unit.value === 'in' ? 4 : 3))
const series = computed(() => [
  { name: 'bevel width', data: line.value.map(({ sharpenings, bevelMm }) => ({ x: sharpenings, y: figure(bevelMm) })) },
  {
    name: 'thickness behind the edge',
    data: line.value.map(({ sharpenings, thicknessMm }) => ({ x: sharpenings, y: figure(whole(thicknessMm)) })),
  },
])
const options = computed(() => ({
  colors: [colours.value.ink, colours.value.iron],
  stroke: { width: 3, curve: 'straight' as const, dashArray: [0, 6] },
  xaxis: {
    type: 'numeric' as const,
    title: { text: 'Sharpenings from now on', style: { fontSize: '14px' } },
    tickAmount: 6,
    labels: { formatter: (value: string) => String(Math.round(Number(value))), style: { fontSize: '13px' } },
    tooltip: { enabled: false },
  },
  yaxis: {
    min: 0,
    title: { text: unit.value, style: { fontSize: '14px' } },
    labels: { formatter: (value: number) => value.toFixed(unit.value === 'in' ? 3 : 1), style: { fontSize: '14px' } },
  },
  legend: { position: 'top' as const, fontSize: '14px' },
  annotations: {
    xaxis:
      left.value > 0 && left.value <= most.value
        ? [
            {
              x: left.value,
              borderColor: colours.value.ink,
              strokeDashArray: 3,
              label: { text: 'thin it', orientation: 'horizontal' as const },
            },
          ]
        : [],
  },
}))
const described = computed(() => {
  const last = line.value.length > 0 ? lastOf(line.value) : null
  return last
    ? `Bevel width and thickness behind the edge over ${last.sharpenings} sharpenings. The table has the figures.`
    : ''
})
/** How to thin it, where that is due. */
const thinning = computed(() => {
  const one = side.value
  if (!one || one.thinningMm3 === 0) return null
  const [coarsest] = box.value.filter((stone) => !isStrop(stone)).sort((a, b) => b.grainUm - a.grainUm)
  return {
    deg: one.atDial.primaryDeg + THINNED_OVER_DEG,
    keepOffMm: thinningStopsAtMm(one.atDial, half.value),
    mm3: one.thinningMm3,
    stone: coarsest ?? null,
    strokes: coarsest ? strokesToRemove(one.thinningMm3, rateOf(coarsest)) : null,
  }
})
</script>

<template>
  <p v-if="!ground.ok" class="pane text-error">{{ problemText(ground, unit) }}</p>
  <div v-else-if="side" class="panes lg:grid-cols-2">
    <SheetPane labelledby="life-section" class="space-y-2">
      <div class="flex flex-wrap items-center justify-between gap-3">
        <h2 id="life-section" class="text-lg font-semibold">
          {{ names[job.side.value] }} {{ placeText(job.content.value.dialForMm, job.rig.value.kind, unit) }}, at
          {{ angleText(side.atDial.newDeg) }}
        </h2>
        <SideSwitch />
      </div>
      <SectionLife :sections="stages" :reach-mm="reachMm" :one-sided="oneSided" />
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
          <tr v-for="stage in stages" :key="stage.name" class="border-t border-default">
            <th class="py-1 text-left font-semibold">{{ stage.name }}</th>
            <td class="text-right">{{ bevelFigure(stage.bevelMm, unit) }}</td>
            <td class="text-right">{{ bevelFigure(whole(stage.thicknessMm), unit) }}</td>
            <td class="text-right">{{ bevelFigure(stage.lostMm, unit) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="text-sm text-muted">
        Filled: as it is; full line: after this job; dashed: after {{ MORE }} more. Each sharpening takes
        {{ exactLength(APEX_WORN_MM, unit) }} off the apex.
      </p>
    </SheetPane>
    <SheetPane labelledby="life-thin" class="space-y-2">
      <h2 id="life-thin" class="text-lg font-semibold" data-testid="life-due">
        {{
          left === 0
            ? 'Thin it first'
            : left >= 999
              ? 'Thinning will not come due'
              : `Thinning comes due here after about ${roughCount(left)} sharpenings`
        }}
      </h2>
      <p>
        An edge of {{ angleText(job.wantedDeg.value) }} is usual for work that asks for no more than
        {{ lengthText(mostMm, unit) }} behind it.
      </p>
      <p v-if="thinning" data-testid="life-thinning">
        Grind at <b class="figure">{{ angleText(thinning.deg) }}</b> a side, just over the flat of the blade, and stay
        <b>{{ lengthText(thinning.keepOffMm, unit) }}</b> off the edge. It takes
        {{ steelText(thinning.mm3, preferences.unit) }} on this side<template v-if="thinning.stone && thinning.strokes"
          >: {{ forecastText(thinning.strokes) }} strokes with {{ thinning.stone.name }}</template
        >. Then the new edge, as under
        <NuxtLink class="text-link" :to="sheetPath(job.id, 'grind', 'plan')">Plan</NuxtLink>.
      </p>
      <BenchChart type="line" :series="series" :options="options" :height="300" :label="described" />
    </SheetPane>
  </div>
  <p v-else class="pane">
    Side {{ names[job.side.value] }} of this blade is its flat back: it gets no bevel.
    <button type="button" class="text-link" @click="job.turnOver()">Turn it over</button>
  </p>
</template>
