<script setup lang="ts">
import { useBench } from '~/composables/useBench'
import { useJob } from '~/stores/job'
import { stationPath } from '~/stations'

/** How well it is known how the blade is held, and where the other tolerances are written down. */
const job = useJob()
const bench = useBench()
const table = computed(() => bench.rig.value?.jaws === null)
type Hold = NonNullable<typeof job.content>['holdTolerance']
const set = (patch: Partial<Hold>) =>
  job.change('how well the hold is known', { holdTolerance: { ...job.content!.holdTolerance, ...patch } })
</script>

<template>
  <section v-if="job.content" class="rounded-sm border border-default bg-default p-4" aria-labelledby="hold-known">
    <h2 id="hold-known" class="font-semibold">How well is the hold known, to ±</h2>
    <div class="mt-2 grid grid-cols-2 gap-x-3 gap-y-2">
      <MeasureField
        label="Blade height"
        kind="length"
        focus="known-height"
        :value="job.content.bladeHeightToleranceMm"
        :step="0.1"
        :apply="(v) => job.change('how well the blade height is known', { bladeHeightToleranceMm: v })"
      />
      <MeasureField
        label="Place along"
        kind="length"
        focus="known-along"
        :value="job.content.holdTolerance.alongMm"
        :step="0.5"
        :apply="(v) => set({ alongMm: v })"
      />
      <MeasureField
        label="Turn"
        kind="angle"
        focus="known-turn"
        :value="job.content.holdTolerance.turnDeg"
        :step="0.1"
        :apply="(v) => set({ turnDeg: v })"
      />
      <MeasureField
        :label="table ? 'Rest on the table' : 'Tilt'"
        kind="angle"
        focus="known-tilt"
        :value="job.content.holdTolerance.tiltDeg"
        :step="0.1"
        :apply="(v) => set({ tiltDeg: v })"
      />
      <MeasureField
        v-if="!table"
        label="Centring"
        kind="length"
        focus="known-centring"
        :value="job.content.holdTolerance.centreOffsetMm"
        :step="0.1"
        :apply="(v) => set({ centreOffsetMm: v })"
      />
    </div>
    <p class="mt-2 text-sm text-muted">
      The rig’s and the stone’s tolerances stand with them, at the
      <NuxtLink class="underline" :to="stationPath(job.id!, 'rig')">rig station</NuxtLink>.
    </p>
  </section>
</template>
