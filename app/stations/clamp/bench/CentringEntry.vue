<script setup lang="ts">
import { restOf } from '#core/geometry/clamping/restingCentrePlane'
import { hasFlats } from '#core/geometry/clamping/tableSupport'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { lengthText } from '~/words/lengthText'
import { REST_WORD } from '~/words/measureText'

/** How far the blade stands off the jaws' centre, or what it lies on: what makes the two sides differ. */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const hold = computed(() => job.content.value.hold)
const sideA = computed(() => preferences.current.sideNames.A)
const centringText = computed(() => {
  const { centreOffsetMm, tiltDeg } = hold.value
  return centreOffsetMm === 0 && tiltDeg === 0
    ? 'on centre'
    : `${lengthText(centreOffsetMm, preferences.unit)}, ${angleText(tiltDeg)}`
})
</script>

<template>
  <UPopover v-if="job.rig.value.jaws" :content="{ side: 'top', align: 'end' }">
    <UButton
      class="shrink-0"
      data-focus="centring"
      color="neutral"
      variant="outline"
      :label="`Centring: ${centringText}`"
    />
    <template #content>
      <div class="w-80 space-y-3 p-4">
        <p class="text-sm text-muted">
          Where the blade’s centre plane stands against the jaws’. What one side gains, the other loses.
        </p>
        <MeasureField
          :label="`Off centre, towards ${sideA}`"
          kind="length"
          focus="centre-offset"
          :value="hold.centreOffsetMm"
          :step="0.1"
          :apply="(v) => actions.setCentring({ centreOffsetMm: v })"
          hint="at the front of the jaws"
        />
        <MeasureField
          :label="`Tilt, rising towards ${sideA}`"
          kind="angle"
          focus="tilt"
          :value="hold.tiltDeg"
          :step="0.1"
          :apply="(v) => actions.setCentring({ tiltDeg: v })"
          hint="from the jaws out to the edge"
        />
      </div>
    </template>
  </UPopover>
  <UButton
    v-else-if="hasFlats(job.blade.value)"
    color="neutral"
    variant="outline"
    :to="sheetPath(job.id, 'uncertainty', 'sides')"
    :label="`Lies on ${REST_WORD[restOf(job.blade.value, hold)]}`"
  />
</template>
