<script setup lang="ts">
import { z } from 'zod'
import { bladePhoto, type BladePhoto } from '#core/records/storage/bladePhoto'
import { SIDES } from '#core/records/common/side'
import { ofKind } from '#core/log/activeEntries'
import { useBladeRecord, type RecordedJob } from './useBladeRecord'
import { useChartColours } from '~/controls/chart/useChartColours'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { ask } from '~/saving/api'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { angleText } from '~/words/angleText'
import { steelText } from '~/words/decisionText'
import { bevelFigure } from '~/words/lengthText'
import { momentText } from '~/words/momentText'
import { OUTCOME_WORD } from '~/words/outcomeText'
import { recordText } from '~/words/recordRowText'

/** The record of a blade: every job on one time line, what was proved over the years, and all of it as files. */
const job = useJob()
const collections = useCollections()
const preferences = usePreferences()
const colours = useChartColours()
const { told, failed, load, jobs, proved } = useBladeRecord()
const photos = shallowRef<readonly BladePhoto[]>([])
watch(
  () => job.blade.value.id,
  async (id) => {
    const answer = await ask(z.array(bladePhoto), `/api/blade-photos?blade=${id}`)
    photos.value = answer.ok ? answer.value : []
  },
  { immediate: true },
)
const names = computed(() => preferences.current.sideNames)
const bladeName = computed(() => job.blade.value.name)

const FEWEST_CHARTED = 2
const isCharted = computed(() => proved.value.some(({ points }) => points.length >= FEWEST_CHARTED))
const series = computed(() =>
  proved.value
    .filter(({ points }) => points.length > 0)
    .map(({ side, points }) => ({
      name: names.value[side],
      data: points.map(({ at, deg }) => ({ x: Date.parse(at), y: Number(deg.toFixed(1)) })),
    })),
)
const options = computed(() => ({
  colors: [colours.value.proved, colours.value.ink],
  stroke: { width: [3, 2], dashArray: [0, 5], curve: 'straight' as const },
  markers: { size: 6, shape: ['circle', 'square'] as ('circle' | 'square')[] },
  xaxis: { type: 'datetime' as const, labels: { style: { fontSize: '13px' } }, tooltip: { enabled: false } },
  yaxis: {
    title: { text: 'proved, degrees per side', style: { fontSize: '14px' } },
    labels: { formatter: (value: number) => `${value.toFixed(1)}°`, style: { fontSize: '13px' } },
  },
  legend: { position: 'top' as const, fontSize: '14px' },
}))
const days = ({ from, to }: RecordedJob): string => {
  const [first, last] = [momentText(from).slice(0, 10), momentText(to).slice(0, 10)]
  return first === last ? first : `${first} to ${last}`
}
function inShort(one: RecordedJob): string[] {
  const angles = SIDES.filter((side) => one.proved[side] !== null).map(
    (side) => `${names.value[side]} ${angleText(one.proved[side]!.deg)}`,
  )
  const strokes = one.strokes.map(
    ({ stoneId, full }) =>
      `${stoneId ? collections.nameOf(stoneId) : 'A stone'}: ${SIDES.map((side) => full[side]).join(' / ')} strokes`,
  )
  const outcomes = ofKind(one.entries, 'outcome').map(
    ({ outcome, at }) => `${OUTCOME_WORD[outcome]}, ${momentText(at).slice(0, 10)}`,
  )
  const widths = SIDES.flatMap((side) => {
    const last = ofKind(one.entries, 'bevel-width').findLast((entry) => entry.side === side)
    return last ? [`${names.value[side]} ${bevelFigure(last.widthMm, preferences.unit)} ${preferences.unit}`] : []
  })
  const steelMm3 = ofKind(one.entries, 'stone-done').reduce((sum, { removedMm3 }) => sum + (removedMm3 ?? 0), 0)
  return [
    ...(angles.length > 0 ? [`Proved ${angles.join(', ')}`] : []),
    ...(widths.length > 0 ? [`Bevel ${widths.join(', ')} wide`] : []),
    ...strokes,
    ...(steelMm3 > 0 ? [`Steel taken off: ${steelText(steelMm3, preferences.unit)}`] : []),
    ...outcomes,
  ]
}
</script>

<template>
  <div class="print-sheet space-y-3">
    <SheetPane labelledby="record">
      <div class="flex flex-wrap items-center justify-between gap-3">
        <h2 id="record" class="text-lg font-semibold">{{ bladeName }}</h2>
        <RecordFiles of="blade" :record="job.blade.value" :told="told" />
      </div>
      <p v-if="failed" role="alert" class="mt-2 text-error">
        The record could not be loaded.
        <button type="button" class="text-link" @click="load">Try again</button>
      </p>
      <p v-else-if="!told" class="mt-2 text-muted" aria-busy="true">Loading…</p>
      <p v-else-if="jobs.length === 0" class="mt-2 text-toned">
        Nothing is recorded of this blade yet. What is read, ground and proved on a job appears here.
      </p>
      <BenchChart
        v-if="isCharted"
        class="mt-2"
        type="line"
        :series="series"
        :options="options"
        :height="220"
        label="What was proved on each side over the years. The jobs below have the figures."
      />
      <p class="mt-1 text-sm text-muted print:hidden">
        When thinning comes due:
        <NuxtLink class="text-link" :to="sheetPath(job.id, 'grind', 'life')">Blade’s life</NuxtLink>.
      </p>
    </SheetPane>
    <SheetPane v-if="photos.length > 0" labelledby="record-pictures">
      <h2 id="record-pictures" class="text-lg font-semibold">Pictures</h2>
      <ul class="mt-2 flex flex-wrap gap-3">
        <li v-for="photo in photos" :key="photo.id" class="w-40">
          <img :src="photo.image" :alt="`${bladeName}, ${photo.caption}`" class="h-28 w-full rounded-sm object-cover" />
          <span class="text-sm text-muted">{{ photo.caption }}</span>
        </li>
      </ul>
    </SheetPane>
    <ol class="space-y-3" data-testid="record-jobs">
      <li v-for="one in jobs" :key="one.id" class="pane">
        <h3 class="flex flex-wrap items-baseline justify-between gap-x-3 font-semibold">
          <NuxtLink class="text-link wrap-anywhere" :to="sheetPath(one.id, 'use')">{{
            one.name || 'A job that is not here'
          }}</NuxtLink>
          <span class="text-sm font-normal text-muted">{{ days(one) }}</span>
        </h3>
        <ul>
          <li v-for="line in inShort(one)" :key="line">{{ line }}</li>
        </ul>
        <details>
          <summary class="cursor-pointer py-1 text-sm">
            {{ one.entries.length === 1 ? 'One entry' : `All ${one.entries.length} entries` }}
          </summary>
          <ol>
            <li
              v-for="entry in one.entries"
              :key="entry.id"
              class="flex flex-wrap justify-between gap-x-3 border-t border-default py-1 text-sm"
            >
              <span class="min-w-0 wrap-anywhere">{{ recordText(entry, preferences.unit, names) }}</span>
              <span class="text-muted">{{ momentText(entry.at) }}</span>
            </li>
          </ol>
        </details>
      </li>
    </ol>
  </div>
</template>
