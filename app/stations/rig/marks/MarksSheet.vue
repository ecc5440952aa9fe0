<script setup lang="ts">
import { nth } from '#core/math/list'
import type { Mark } from '#core/geometry/dial/marks'
import { dialOf } from '#core/records/rig/dials/dials'
import type { DialSetting } from '#core/records/rig/dials/readings'
import { useJob } from '~/job/useJob'
import { useMarks } from './useMarks'
import { useChartColours } from '~/controls/chart/useChartColours'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { dialFigures, dialText } from '~/words/dialText'
import { wordsOf } from '~/words/dialWords'
import { lengthText } from '~/words/lengthText'
import { placeText } from '~/words/placeText'
import { problemText } from '~/words/problemText'

/** What each mark of the rig really gives, for this blade height and each stone; and the mark to set. */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const colours = useChartColours()
/** Dashes tell the stones apart without colour. */
const DASHES = [0, 8, 3, 12, 5]

const rig = computed(() => job.rig.value)
const { stones, rows, advice } = useMarks()
const uncertainty = computed(() => (job.up.value.ok ? job.up.value.uncertaintyDeg : 0.1))
const setNow = computed(() => dialText(rig.value, actions.dialledNow()))
const figureOf = (setting: DialSetting) => dialOf(rig.value.height).figure(rig.value.height, setting)
const isScale = computed(() => rig.value.height.by === 'degree-scale')
const unitOfMarks = computed(() => wordsOf(rig.value.height.by).heading(rig.value.height))
const figure = (mark: Mark) => dialFigures(rig.value, mark.setting)

const series = computed(() => {
  const ofStones = stones.value.map((stone, i) => ({
    name: stone.name,
    data: rows.value.map(({ mark, angles }) => {
      const deg = angles[i] ?? null
      return { x: figure(mark), y: deg === null ? null : Number(deg.toFixed(2)) }
    }),
  }))
  const printed = isScale.value
    ? [{ name: 'as printed', data: rows.value.map((row) => ({ x: figure(row.mark), y: row.mark.figure })) }]
    : []
  return [...ofStones, ...printed]
})
const options = computed(() => {
  const count = stones.value.length
  // The stone on the rod gives what is set; no other wears the colour of one of the four angles.
  const shades = [colours.value.ink, colours.value.soft, colours.value.iron]
  return {
    colors: [
      ...stones.value.map(({ id }, i) =>
        id === job.content.value.stoneId ? colours.value.set : nth(shades, i % shades.length),
      ),
      colours.value.wanted,
    ],
    stroke: {
      width: [...stones.value.map((stone) => (stone.id === job.content.value.stoneId ? 4 : 2)), 2],
      dashArray: [...DASHES.slice(0, count), 2],
      curve: 'straight' as const,
    },
    markers: { size: dialOf(rig.value.height).fixed(rig.value.height) ? 5 : 0 },
    xaxis: {
      title: { text: unitOfMarks.value, style: { fontSize: '14px' } },
      tickAmount: 8,
      labels: { rotate: 0, hideOverlappingLabels: true, style: { fontSize: '13px' } },
      tooltip: { enabled: false },
    },
    yaxis: {
      title: { text: 'True edge angle', style: { fontSize: '14px' } },
      labels: { formatter: (value: number) => `${value.toFixed(0)}°`, style: { fontSize: '14px' } },
    },
    legend: {
      position: 'top' as const,
      horizontalAlign: 'left' as const,
      fontSize: '14px',
      itemMargin: { horizontal: 8 },
    },
    annotations: {
      yaxis: [
        {
          y: job.toSetDeg.value,
          borderColor: colours.value.wanted,
          strokeDashArray: 3,
          label: {
            text: `wanted ${angleText(job.toSetDeg.value)}`,
            position: 'left',
            textAnchor: 'start' as const,
            style: { background: 'transparent', color: colours.value.wanted, fontSize: '14px' },
            borderColor: 'transparent',
          },
        },
      ],
    },
    tooltip: {
      shared: true,
      intersect: false,
      y: { formatter: (value: number | null) => (value === null ? 'none' : `${value.toFixed(1)}°`) },
    },
  }
})
const out = computed(() => lengthText(job.dialFor.value.bladeHeightMm, preferences.unit))
const described = computed(
  () =>
    `True edge angle against the marks, for ${stones.value.map((stone) => stone.name).join(', ')}. The table has the figures.`,
)
</script>

<template>
  <div class="grid gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(26rem,34rem)]">
    <SheetPane labelledby="mark-to-set">
      <div class="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h2 id="mark-to-set" class="flex items-center gap-2">
            <AngleMark angle="wanted" />To get {{ angleText(job.toSetDeg.value) }} with {{ job.stone.value.name }}, set
          </h2>
          <template v-if="advice?.ok">
            <p class="figure text-4xl" data-testid="mark">{{ dialText(rig, advice.setting) }}</p>
            <p>
              gives <b>{{ angleText(advice.givesDeg, uncertainty) }}</b>,
              {{ differenceText(advice.offDeg, uncertainty) }} remains.
              <span v-if="isScale" class="text-toned"
                >The mark itself says {{ angleText(figureOf(advice.setting)) }}.</span
              >
            </p>
          </template>
          <p v-else-if="advice" class="text-error">{{ problemText(advice, preferences.unit) }}</p>
        </div>
        <SideSwitch />
      </div>
      <BenchChart class="mt-3" type="line" :series="series" :options="options" :height="340" :label="described" />
      <p class="text-sm text-muted">
        For a blade standing {{ out }} out {{ placeText(job.content.value.dialForMm, rig.kind, preferences.unit) }}.
        <template v-if="isScale"
          >The scale was drawn for
          {{ rig.height.by === 'degree-scale' ? lengthText(rig.height.drawnForBladeHeightMm, preferences.unit) : '' }}
          out and a stone
          {{ rig.height.by === 'degree-scale' ? lengthText(rig.height.drawnForFaceOffsetMm, preferences.unit) : '' }}
          thick.</template
        >
        Set now: {{ setNow }}.
      </p>
    </SheetPane>
    <SheetPane labelledby="told-true" tabindex="0" class="overflow-x-auto">
      <h2 id="told-true" class="font-semibold">Mark by mark</h2>
      <table class="mt-2 w-full" data-testid="marks">
        <thead>
          <tr class="align-bottom text-sm *:pb-1">
            <th class="text-left font-normal text-muted">{{ unitOfMarks }}</th>
            <th
              v-for="stone in stones"
              :key="stone.id"
              class="pl-3 text-right font-normal"
              :class="stone.id === job.content.value.stoneId ? 'font-semibold' : 'text-muted'"
            >
              {{ stone.name }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.mark.figure" class="border-t border-default">
            <th class="py-0.5 text-left font-semibold">{{ figure(row.mark) }}</th>
            <td
              v-for="(deg, i) in row.angles"
              :key="i"
              class="pl-3 text-right"
              :class="{ 'font-semibold': stones[i]!.id === job.content.value.stoneId }"
            >
              {{ deg === null ? '–' : angleText(deg, uncertainty) }}
            </td>
          </tr>
        </tbody>
      </table>
    </SheetPane>
  </div>
</template>
