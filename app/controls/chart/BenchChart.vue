<script setup lang="ts">
import type { ApexOptions } from 'apexcharts'
import { useChartColours } from './useChartColours'

/**
 * A chart in the bench's own dress: its type and colours, no toolbar, nothing that moves. It is a picture with a name;
 * the figures stand in a table beside it.
 */
const props = defineProps<{
  type: 'bar' | 'line' | 'area'
  series: ApexOptions['series']
  options: ApexOptions
  height: number
  label: string
}>()
const Chart = defineAsyncComponent(() => import('vue3-apexcharts'))
const colours = useChartColours()
/** The chart's maker writes names as markup: what would begin a tag in one stays a sign. */
const asText = (text: string) => text.replaceAll('<', '‹').replaceAll('>', '›')
const plainSeries = computed(
  () =>
    props.series?.map((one) =>
      typeof one === 'object' && 'name' in one && one.name ? { ...one, name: asText(one.name) } : one,
    ) as ApexOptions['series'],
)
const dressed = computed<ApexOptions>(() => ({
  ...props.options,
  chart: {
    ...props.options.chart,
    fontFamily: 'inherit',
    foreColor: colours.value.ink,
    background: 'transparent',
    animations: { enabled: false },
    toolbar: { show: false },
    zoom: { enabled: false },
    selection: { enabled: false },
    parentHeightOffset: 0,
  },
  grid: { borderColor: colours.value.fine, ...props.options.grid },
  dataLabels: { enabled: false, ...props.options.dataLabels },
  tooltip: { theme: colours.value.dark ? 'dark' : 'light', ...props.options.tooltip },
  states: { hover: { filter: { type: 'none' } }, active: { filter: { type: 'none' } } },
}))
</script>

<template>
  <div role="img" :aria-label="label" :style="{ height: `${height}px` }" class="overflow-hidden">
    <ClientOnly
      ><Chart :type="type" :series="plainSeries" :options="dressed" :height="height" width="100%"
    /></ClientOnly>
  </div>
</template>
