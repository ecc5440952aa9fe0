<script setup lang="ts">
import type { HoldTolerance } from '#core/records/job/knownHold'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { usePreferences } from '~/stores/preferences'
import { toleranceText } from '~/words/toleranceText'

/** How well it is known how the blade is held, and where the other tolerances are written down. */
const job = useJob()
const preferences = usePreferences()
const table = computed(() => job.rig.value.jaws === null)
const set = (patch: Partial<HoldTolerance>) =>
  job.change('how well the hold is known', { holdTolerance: { ...job.content.value.holdTolerance, ...patch } })
/** What proofs told better of how these jaws hold every blade. */
const byProofs = (id: 'tilt' | 'centre-offset') => {
  const share = job.up.value.ok && job.up.value.budget.find((one) => one.id === id)
  return share && share.tiedTo ? `by the rig’s proofs ± ${toleranceText(share, preferences.unit)}` : undefined
}
</script>

<template>
  <SheetPane labelledby="hold-known">
    <h2 id="hold-known" class="font-semibold">How well is the hold known, to ±</h2>
    <div class="mt-2 grid grid-cols-[repeat(auto-fill,minmax(10rem,1fr))] gap-x-3 gap-y-2">
      <MeasureField
        label="Blade height"
        kind="length"
        focus="known-height"
        :value="job.content.value.bladeHeightToleranceMm"
        :step="0.1"
        :apply="(v) => job.change('how well the blade height is known', { bladeHeightToleranceMm: v })"
      />
      <MeasureField
        label="Place along"
        kind="length"
        focus="known-along"
        :value="job.content.value.holdTolerance.alongMm"
        :step="0.5"
        :apply="(v) => set({ alongMm: v })"
      />
      <MeasureField
        label="Turn"
        kind="angle"
        focus="known-turn"
        :value="job.content.value.holdTolerance.turnDeg"
        :step="0.1"
        :apply="(v) => set({ turnDeg: v })"
      />
      <MeasureField
        :label="table ? 'Rest on the table' : 'Tilt'"
        kind="angle"
        focus="known-tilt"
        :value="job.content.value.holdTolerance.tiltDeg"
        :step="0.1"
        :apply="(v) => set({ tiltDeg: v })"
        :hint="byProofs('tilt')"
      />
      <MeasureField
        v-if="!table"
        label="Centring"
        kind="length"
        focus="known-centring"
        :value="job.content.value.holdTolerance.centreOffsetMm"
        :step="0.1"
        :apply="(v) => set({ centreOffsetMm: v })"
        :hint="byProofs('centre-offset')"
      />
    </div>
    <p class="mt-2 text-sm text-muted">
      The rig’s and the stone’s tolerances stand with them, at the
      <NuxtLink class="underline" :to="sheetPath(job.id, 'rig')">rig station</NuxtLink>; the edge’s own with
      <NuxtLink class="underline" :to="sheetPath(job.id, 'blade')">the blade</NuxtLink>.
    </p>
  </SheetPane>
</template>
