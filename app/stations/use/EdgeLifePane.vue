<script setup lang="ts">
import { USE_UNITS } from '#core/log/choices'
import { edgeLives, livesDiffer, type LifeUnit } from '#core/use/edgeLife'
import { useSharpenings } from '~/composables/useSharpenings'
import { useChartColours } from '~/controls/chart/useChartColours'
import { USE_UNIT_WORD, useCountText } from '~/words/outcomeText'

/** How long the edges of this blade cut, angle by angle: those that still cut count as far as is known. */
const colours = useChartColours()
const { sharpenings } = useSharpenings()
const chosen = ref<LifeUnit>('days')
/** Units in which something is known; days always count. */
const units = computed(() =>
  (['days', ...USE_UNITS] as const)
    .filter((unit) => unit === 'days' || edgeLives(sharpenings.value, unit).length > 0)
    .map((value) => ({ value, label: value === 'days' ? 'days' : USE_UNIT_WORD[value][1] })),
)
const unit = computed(() => (units.value.some(({ value }) => value === chosen.value) ? chosen.value : 'days'))
const lives = computed(() => edgeLives(sharpenings.value, unit.value))
const name = (deg: number | null) => (deg === null ? 'angle not known' : `${deg}°`)

/** A step curve: it falls where an edge came to its end. */
const series = computed(() =>
  lives.value
    .filter(({ curve }) => curve.length > 0)
    .map(({ deg, curve }) => ({
      name: name(deg),
      data: [
        { x: 0, y: 100 },
        ...curve.map(({ time, survival }) => ({ x: Math.round(time), y: Math.round(survival * 100) })),
      ],
    })),
)
const options = computed(() => ({
  colors: [colours.value.ink, colours.value.iron, colours.value.soft, colours.value.proved],
  stroke: { curve: 'stepline' as const, width: 3, dashArray: [0, 6, 2, 4] },
  xaxis: {
    type: 'numeric' as const,
    min: 0,
    title: { text: units.value.find(({ value }) => value === unit.value)!.label, style: { fontSize: '14px' } },
    labels: { formatter: (value: string) => String(Math.round(Number(value))), style: { fontSize: '13px' } },
    tooltip: { enabled: false },
  },
  yaxis: {
    min: 0,
    max: 100,
    tickAmount: 4,
    title: { text: 'still cut, of 100', style: { fontSize: '14px' } },
    labels: { formatter: (value: number) => String(Math.round(value)), style: { fontSize: '13px' } },
  },
  legend: { show: true, showForSingleSeries: true, position: 'top' as const, fontSize: '14px' },
}))
const figure = (value: number | null) => (value === null ? 'longer than is known' : String(Math.round(value)))
const differ = computed(() => livesDiffer(lives.value))
</script>

<template>
  <SheetPane v-if="lives.length > 0" labelledby="edge-life">
    <div class="flex flex-wrap items-end justify-between gap-3">
      <h2 id="edge-life" class="text-lg font-semibold">How long its edges last</h2>
      <LabelledSelect v-if="units.length > 1" v-model="chosen" label="Counted in" :items="units" class="w-44" />
    </div>
    <table class="mt-2 w-full" data-testid="edge-lives">
      <thead>
        <tr class="text-left text-sm text-muted *:font-normal">
          <th>angle</th>
          <th class="text-right">edges</th>
          <th class="text-right">came to their end</th>
          <th class="text-right">half of them after</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in lives" :key="String(one.deg)" class="border-t border-default">
          <th class="py-1 text-left font-semibold">{{ name(one.deg) }}</th>
          <td class="text-right">{{ one.edges }}</td>
          <td class="text-right">{{ one.ended }}</td>
          <td class="text-right">
            {{ one.median.middle === null ? 'not known' : useCountText(Math.round(one.median.middle), unit) }}
            <span v-if="one.median.middle !== null" class="block text-sm text-muted">{{
              one.ended === 1
                ? 'one edge alone'
                : `95 in 100: ${figure(one.median.least)} to ${figure(one.median.most)}`
            }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <BenchChart
      v-if="series.length > 0"
      class="mt-2"
      type="line"
      :series="series"
      :options="options"
      :height="220"
      label="The share of edges that still cut, by how long they were used. The table has the figures."
    />
    <p class="mt-1 text-sm text-muted">
      Edges that still cut count up to when that was said.
      <template v-if="differ !== null">{{
        differ
          ? 'The angles differ by more than chance explains.'
          : 'The angles do not differ by more than chance explains.'
      }}</template>
    </p>
  </SheetPane>
</template>
