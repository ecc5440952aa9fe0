<script setup lang="ts">
import { primaryHalfAngleDeg } from '#core/records/blade/primaryHalfAngle'
import { curveLength } from '#core/math/curve/arcLength'
import { edgePointAt } from '#core/math/curve/edgePoints'
import { writeDxf } from '#core/exchange/edges/dxf'
import { writePoints } from '#core/exchange/edges/points'
import { writeSvg } from '#core/exchange/edges/svg'
import type { BladeRecord } from '#core/records/storage/kinds'
import { describingAt } from '~/forms/useDescribing'
import { PURPOSES } from '#core/records/job/purpose'
import { PURPOSE_WORD } from '~/words/purposeText'
import { useJob } from '~/job/useJob'
import { useNextStep } from '~/job/useNextStep'
import { useOpenPanel } from '~/stores/openPanel'
import { sheetPath } from '~/navigation/stations'
import { useCollections } from '~/stores/collections'
import { usePreferences } from '~/stores/preferences'
import { download } from '~/saving/download'
import { angleText } from '~/words/angleText'
import { GRIND_WORD, WORK_WORD } from '~/words/bladeText'
import { lengthText } from '~/words/lengthText'

const collections = useCollections()
const job = useJob()
const { actions } = job
const preferences = usePreferences()
const { angle } = useOpenPanel()
const { purpose } = useNextStep()
const purposes = PURPOSES.map((value) => ({ value, label: PURPOSE_WORD[value] }))
/** With the one that is taken, should it be none of them. */
const withTaken = (blades: readonly BladeRecord[]): BladeRecord[] =>
  blades.some(({ id }) => id === job.blade.value.id) ? [...blades] : [job.blade.value, ...blades]
const router = useRouter()
const describe = (from: BladeRecord | null, copy: boolean) =>
  void router.push(describingAt(sheetPath(job.id, 'blade', 'describe'), from, copy))
function takeOut(kind: 'svg' | 'dxf' | 'csv') {
  const blade = job.blade.value
  const size = { lengthMm: edgePointAt(blade.edge, curveLength(blade.edge)).point[0], widthMm: blade.widthMm }
  const text = {
    svg: () => writeSvg(blade.edge, blade.spine, size),
    dxf: () => writeDxf(blade.edge, blade.spine),
    csv: () => writePoints(blade.edge, blade.spine),
  }[kind]()
  download(`${blade.name}.${kind}`, text, { svg: 'image/svg+xml', dxf: 'application/dxf', csv: 'text/csv' }[kind])
}
const facts = computed(() => {
  const blade = job.blade.value
  const names = preferences.current.sideNames
  const text = (mm: number) => lengthText(mm, preferences.unit)
  return [
    ['Edge', text(curveLength(blade.edge))],
    ['Width', text(blade.widthMm)],
    ['Spine', text(blade.spineThicknessMm)],
    ['Behind the edge', text(blade.thicknessBehindEdgeMm)],
    ['Primary half-angle', angleText(primaryHalfAngleDeg(blade), 0.1)],
    ['Grind', GRIND_WORD[blade.grind] + (blade.bevels === 'A' ? ', one bevel' : '')],
    ['Steel', blade.steel + (blade.hardnessHrc ? `, ${blade.hardnessHrc} HRC` : '')],
    [
      'Existing bevel',
      blade.bevelDeg ? `${names.A} ${angleText(blade.bevelDeg.A)}, ${names.B} ${angleText(blade.bevelDeg.B)}` : '',
    ],
    ['Landmark', blade.landmark ? `${blade.landmark.what}, ${text(blade.landmark.alongMm)} from the heel` : ''],
    ['Choil', blade.choil ? '' : 'none'],
    ['Coating', blade.coating],
    ['Use', blade.use],
    ['Work of its edge', blade.work ? WORK_WORD[blade.work] : ''],
    ['Complaint', blade.complaint],
    ['Owner', blade.owner],
  ].filter((fact) => fact[1])
})
</script>

<template>
  <div class="grid gap-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
    <section>
      <h2 class="mb-2 text-xl font-semibold">Which blade?</h2>
      <BladeList v-slot="{ blades }">
        <CardChoice
          v-slot="{ record: blade }"
          :records="withTaken(blades)"
          :chosen="job.content.value.bladeId"
          label="Blade"
          columns
          @choose="actions.chooseBlade($event)"
        >
          <BladeCard :blade="blade" />
        </CardChoice>
      </BladeList>
      <ToolActions
        class="mt-3"
        kind="blades"
        :chosen="job.blade.value"
        :records="collections.blades"
        word="blade"
        @describe="describe"
      />
    </section>
    <aside aria-label="This blade">
      <LabelledSelect
        class="mb-2"
        label="What is this job for?"
        :model-value="purpose"
        :items="purposes"
        size="xl"
        data-testid="purpose"
        @update:model-value="job.change('purpose', { purpose: $event })"
      />
      <JobTerms class="mb-4" />
      <h2 class="mb-2 text-xl font-semibold">{{ job.blade.value.name }}</h2>
      <dl class="pane px-3 py-1">
        <div
          v-for="[word, value] in facts"
          :key="word"
          class="flex justify-between gap-4 border-default py-1.5 not-first:border-t"
        >
          <dt class="text-muted">{{ word }}</dt>
          <dd class="text-right">{{ value }}</dd>
        </div>
      </dl>
      <p v-if="job.blade.value.notes" class="mt-2 text-sm text-toned">{{ job.blade.value.notes }}</p>
      <p class="mt-2 flex items-center gap-2 text-sm text-muted">
        Its edge as
        <UButton
          v-for="kind in ['svg', 'dxf', 'csv'] as const"
          :key="kind"
          color="neutral"
          variant="outline"
          :label="kind.toUpperCase()"
          :aria-label="`Take the edge out as ${kind.toUpperCase()}`"
          @click="takeOut(kind)"
        />
      </p>
      <BladePhotos :blade-id="job.blade.value.id" :name="job.blade.value.name" />
      <p class="mt-3">Look down the edge at a light: note nicks, rolled or chipped places before you clamp.</p>
      <div class="mt-4 flex flex-wrap gap-3">
        <UButton
          size="xl"
          trailing-icon="i-lucide-arrow-right"
          label="Next: clamp it"
          :to="sheetPath(job.id, 'clamp')"
        />
        <UButton
          size="xl"
          color="neutral"
          variant="outline"
          label="Wanted angle"
          @click="
            () => {
              angle = 'wanted'
            }
          "
        />
      </div>
    </aside>
  </div>
</template>
