<script setup lang="ts">
import { MEASURES, type MeasureId } from '#core/uncertainty/measures'
import { stepSetting } from '#core/records/rig/dial'
import { contactFor } from '#core/geometry/setup/setup'
import { MM_PER_INCH } from '#core/math/units/length'
import { useJob } from '~/job/useJob'
import { usePreferences } from '~/stores/preferences'
import { DIAL_WORDS } from '~/words/dialWords'
import { MEASURE_WORD } from '~/words/measureText'

/** What a change would do before it is made. */
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const set = computed(() => (job.up.value.ok ? job.up.value : null))
const NOT_CHANGED_BY_HAND: readonly MeasureId[] = ['pivot-play', 'slot-place', 'face-shape']
const STEP_MM = { mm: 1, in: MM_PER_INCH / 10 } as const
/** For a millimetre more (or a tenth of an inch), or a degree more. */
const rows = computed(() => {
  const budget = set.value?.budget ?? []
  return MEASURES.flatMap((id) => {
    const share = budget.find((one) => one.id === id)
    if (!share || NOT_CHANGED_BY_HAND.includes(id)) return []
    const length = share.unit === 'mm'
    return [
      {
        id,
        more: length ? (preferences.unit === 'mm' ? '1 mm' : '0.1 in') : '1°',
        deg: share.perUnitDeg * (length ? STEP_MM[preferences.unit] : 1),
      },
    ]
  })
})
/** What one mark or slot more does. */
const mark = computed(() => {
  if (!set.value) return null
  const stepped = stepSetting(job.rig.value, actions.dialledNow(), 1)
  const next = contactFor(job.setup.value, job.side.value, stepped, job.evaluation.value.edgePoint)
  return next.ok ? next.edgeAngleDeg - set.value.contact.edgeAngleDeg : null
})
/** Compared with each other, so a digit finer than the angle itself. */
const fine = (deg: number) => `${deg > 0.005 ? '+' : deg < -0.005 ? '−' : ''}${Math.abs(deg).toFixed(2)}°`
</script>

<template>
  <div class="grid min-h-0 gap-3 lg:grid-cols-[minmax(0,1fr)_22rem]">
    <SheetPane labelledby="heights" class="flex min-h-0 flex-col">
      <div class="flex flex-wrap items-center justify-between gap-3">
        <h2 id="heights" class="font-semibold">Drag the point: every line is one edge angle</h2>
        <SideSwitch />
      </div>
      <WhatIfChart v-if="set" class="max-lg:h-96 flex-1" />
      <p v-else class="p-4 text-error">{{ job.trouble.value }}</p>
      <p class="flex items-center gap-4 text-sm text-muted">
        <span class="flex items-center gap-1"><AngleMark angle="wanted" class="size-4!" />dotted: the wanted angle</span
        ><span class="flex items-center gap-1"><AngleMark angle="set" class="size-4!" />the rig as it stands</span
        ><span v-if="job.rig.value.jaws">crossed out: the jaws would not hold it</span>
      </p>
    </SheetPane>
    <SheetPane labelledby="more">
      <h2 id="more" class="font-semibold">What a little more does</h2>
      <table class="mt-2 w-full">
        <thead class="text-left text-sm text-muted">
          <tr class="*:pb-1 *:font-normal">
            <th>More of</th>
            <th class="text-right">by</th>
            <th class="text-right">edge angle</th>
          </tr>
        </thead>
        <tbody>
          <tr v-if="mark !== null" class="border-t border-default">
            <th class="py-1 text-left font-normal">The dial</th>
            <td class="text-right whitespace-nowrap">1 {{ DIAL_WORDS[job.rig.value.height.by].step }}</td>
            <td class="text-right font-semibold">{{ fine(mark) }}</td>
          </tr>
          <tr v-for="row in rows" :key="row.id" class="border-t border-default">
            <th class="py-1 text-left font-normal">{{ MEASURE_WORD[row.id] }}</th>
            <td class="text-right whitespace-nowrap">{{ row.more }}</td>
            <td class="text-right font-semibold">{{ fine(row.deg) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="mt-2 text-sm text-muted">
        On side {{ preferences.current.sideNames[job.side.value] }}, at the point on the edge, all else unchanged.
      </p>
    </SheetPane>
  </div>
</template>
