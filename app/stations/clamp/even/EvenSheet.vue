<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { zoneAt } from '#core/records/blade/zones'
import { useEven } from './useEven'
import { usePreferences } from '~/stores/preferences'
import { differenceText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'
import { capital } from '~/words/sentence'
import { theZone, zoneName } from '~/words/zoneText'

/**
 * The angle from heel to tip, what it makes of the bevel, and where to hold the blade so that it is even; below, what
 * wants more than one setting.
 */
const job = useJob()
const preferences = usePreferences()
const { set, worst, zones } = useEven()
const headline = computed(() => {
  if (!worst.value) return ''
  const where = zones.value.length > 0 ? zoneName(zones.value, zoneAt(zones.value, worst.value.fromHeelMm)) : 'edge'
  const off = worst.value.offDeg
  if (Math.abs(off) < 0.05) return 'Even: on the wanted angle from heel to tip'
  return `${capital(theZone(where))} runs ${differenceText(Math.abs(off)).replace('+', '')} ${off > 0 ? 'high' : 'low'}, ${lengthText(worst.value.fromHeelMm, preferences.unit)} from the heel`
})
</script>

<template>
  <div class="space-y-3">
    <div class="panes lg:grid-cols-[minmax(0,1fr)_27rem]">
      <SheetPane labelledby="along">
        <div class="flex flex-wrap items-center justify-between gap-3">
          <h2 id="along" class="flex items-center gap-2 text-lg" data-testid="worst">
            <AngleMark angle="set" />{{ headline || job.trouble.value }}
          </h2>
          <SideSwitch />
        </div>
        <RibbonDrawing class="mt-1 h-52" />
        <UnrolledEdge v-if="set" class="h-60" />
        <p class="flex flex-wrap gap-x-5 text-sm text-muted">
          <span>Solid, standing out: steeper than wanted</span><span>Hatched, lying in: flatter</span
          ><span>Below: width of the bevel, dashed as it is, solid as it will be</span>
        </p>
      </SheetPane>
      <PlacementPanel />
    </div>
    <SeveralSettings />
  </div>
</template>
