<script setup lang="ts">
import { figureOf, type Mark } from '#core/dial/marks'
import { useBench } from '~/composables/useBench'
import { useBenchActions } from '~/composables/useBenchActions'
import { useMarks } from '~/composables/useMarks'
import { useChartColours } from '~/composables/useChartColours'
import { useJob } from '~/stores/job'
import { usePreferences } from '~/stores/preferences'
import { angleText, differenceText } from '~/words/angleText'
import { dialFigures, dialText } from '~/words/dialText'
import { lengthText } from '~/words/lengthText'
import { reasonText } from '~/words/reasonText'

/** What each mark of the rig really gives, for this blade height and each stone; and the mark to set. */
const bench = useBench()
const actions = useBenchActions()
const job = useJob()
const preferences = usePreferences()
const colours = useChartColours()
/** Dashes tell the stones apart without colour. */
const DASHES = [0, 8, 3, 12, 5]

const rig = computed(() => bench.rig.value)
const { at, stones, rows, advice } = useMarks()
const doubt = computed(() => (bench.up.value?.ok ? bench.up.value.doubtDeg : 0.1))
const setNow = computed(() => {
  const setting = actions.dialledNow()
  return setting && rig.value ? dialText(rig.value, setting, preferences.unit) : ''
})
const isScale = computed(() => rig.value?.height.by === 'degree-scale')
const unitOfMarks = computed(
  () =>
    ({ slot: 'Slot', millimetres: `Scale, ${preferences.unit}`, turns: 'Turns', 'degree-scale': 'Printed mark, °' })[
      rig.value?.height.by ?? 'slot'
    ],
)
const figure = (mark: Mark) => (rig.value ? dialFigures(rig.value, mark.setting, preferences.unit) : '')

const series = computed(() => {
  const ofStones = stones.value.map((stone, i) => ({
    name: stone.name,
    data: rows.value.map((row) => ({
      x: figure(row.mark),
      y: row.angles[i] == null ? null : Number(row.angles[i]!.toFixed(2)),
    })),
  }))
  const printed = isScale.value
    ? [{ name: 'as printed', data: rows.value.map((row) => ({ x: figure(row.mark), y: figureOf(row.mark.setting) })) }]
    : []
  return [...ofStones, ...printed]
})
const options = computed(() => {
  const count = stones.value.length
  const shades = [colours.value.set, colours.value.ink, colours.value.proved, colours.value.read, colours.value.iron]
  return {
    colors: [...shades.slice(0, count), colours.value.wanted],
    stroke: {
      width: [...stones.value.map((stone) => (stone.id === job.content?.stoneId ? 4 : 2)), 2],
      dashArray: [...DASHES.slice(0, count), 2],
      curve: 'straight' as const,
    },
    markers: { size: rig.value?.height.by === 'slot' ? 5 : 0 },
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
          y: bench.wantedDeg.value,
          borderColor: colours.value.wanted,
          strokeDashArray: 3,
          label: {
            text: `wanted ${angleText(bench.wantedDeg.value)}`,
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
const out = computed(() => lengthText(bench.evaluation.value?.bladeHeightMm ?? 0, preferences.unit))
const described = computed(
  () =>
    `True edge angle against the marks, for ${stones.value.map((stone) => stone.name).join(', ')}. The table has the figures.`,
)
</script>

<template>
  <div v-if="at && rig" class="grid gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(26rem,34rem)]">
    <section class="rounded-sm border border-default bg-default p-4" aria-labelledby="mark-to-set">
      <div class="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h2 id="mark-to-set" class="flex items-center gap-2">
            <AngleMark angle="wanted" />To get {{ angleText(bench.wantedDeg.value) }} with
            {{ bench.stone.value?.name }}, set
          </h2>
          <template v-if="advice?.ok">
            <p class="figure text-4xl" data-testid="mark">{{ dialText(rig, advice.setting, preferences.unit) }}</p>
            <p>
              gives <b>{{ angleText(advice.givesDeg, doubt) }}</b>, {{ differenceText(advice.offDeg, doubt) }} remains.
              <span v-if="isScale" class="text-toned"
                >The mark itself says {{ angleText(figureOf(advice.setting)) }}.</span
              >
            </p>
          </template>
          <p v-else-if="advice" class="text-error">{{ reasonText(advice, preferences.unit) }}</p>
        </div>
        <SideSwitch />
      </div>
      <BenchChart class="mt-3" type="line" :series="series" :options="options" :height="340" :label="described" />
      <p class="text-sm text-muted">
        For a blade standing {{ out }} out at the place looked at.
        <template v-if="isScale"
          >The scale was drawn for
          {{ rig.height.by === 'degree-scale' ? lengthText(rig.height.drawnForBladeHeightMm, preferences.unit) : '' }}
          out and a stone
          {{ rig.height.by === 'degree-scale' ? lengthText(rig.height.drawnForFaceOffsetMm, preferences.unit) : '' }}
          thick.</template
        >
        Set now: {{ setNow }}.
      </p>
    </section>
    <section
      class="min-w-0 overflow-x-auto rounded-sm border border-default bg-default p-4"
      aria-labelledby="told-true"
      tabindex="0"
    >
      <h2 id="told-true" class="font-semibold">Mark by mark</h2>
      <table class="mt-2 w-full" data-testid="marks">
        <thead>
          <tr class="align-bottom text-sm *:pb-1">
            <th class="text-left font-normal text-muted">{{ unitOfMarks }}</th>
            <th
              v-for="stone in stones"
              :key="stone.id"
              class="pl-3 text-right font-normal"
              :class="stone.id === job.content?.stoneId ? 'font-semibold' : 'text-muted'"
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
              :class="{ 'font-semibold': stones[i]!.id === job.content?.stoneId }"
            >
              {{ deg === null ? '–' : angleText(deg, doubt) }}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>
