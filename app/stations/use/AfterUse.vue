<script setup lang="ts">
import { ofKind } from '#core/log/activeEntries'
import { OUTCOMES, USE_UNITS, type Outcome, type UseUnit } from '#core/log/choices'
import { ENTRIES, type OutcomeEntry } from '#core/log/entry'
import type { ZoneKind } from '#core/records/blade/zones'
import { isBurrGone } from '#core/use/sharpenings'
import { useForm } from '~/forms/useForm'
import { useJob } from '~/job/useJob'
import { sheetPath } from '~/navigation/stations'
import { momentText } from '~/words/momentText'
import { OUTCOME_WORD, outcomeDetails, USE_UNIT_WORD } from '~/words/outcomeText'

/** What became of the edge in use: a few presses, also months later. */
const job = useJob()
const isPut = computed(() => ofKind(job.entriesOfBlade.value, 'put-to-use').length > 0)

interface OutcomeForm {
  outcome: Outcome
  zones: ZoneKind[]
  /** Empty: nobody said. */
  burr: 'removed' | 'not-sure' | ''
  usedFor: string
  count: string
  unit: UseUnit
  by: string
  note: string
}
const { form, beginAnew, problems, readFigure, validate } = useForm<OutcomeForm>(`outcome:${job.id}`, () => ({
  ...{ outcome: 'cuts-well', zones: [], burr: '', usedFor: '', count: '', unit: 'meals', by: '', note: '' },
}))
const outcomes = OUTCOMES.map((value) => ({ value, label: OUTCOME_WORD[value] }))
const units = USE_UNITS.map((value) => ({ value, label: USE_UNIT_WORD[value][1] }))
const burrs = [
  { value: 'removed', label: 'Removed with care: looked for at the end, and none was left' },
  { value: 'not-sure', label: 'Not sure' },
]
/** Where is asked of an edge that was damaged. */
const hasPlace = computed(() => form.value.outcome === 'rolled' || form.value.outcome === 'chipped')
/** Whether a burr was left is asked where nothing shows, unless the log says that none was. */
const asksForBurr = computed(() => form.value.outcome === 'dulled-soon' && !isBurrGone(job.entriesOfBlade.value))

async function record() {
  const { outcome, zones, burr, usedFor, count, unit, by, note } = form.value
  const amount = count.trim() === '' ? null : { count: readFigure('count', count, 'count', 'use-count-missing'), unit }
  const entry: OutcomeEntry = {
    ...job.session.newEntry(),
    ...{ stoneId: null, kind: 'outcome', outcome, usedFor, amount, by, note: note.trim() },
    zones: hasPlace.value ? [...zones] : [],
    burrRemoved: asksForBurr.value && burr !== '' ? burr === 'removed' : null,
  }
  const fields: Readonly<Record<string, string>> = { 'amount.count': 'count' }
  if (!validate(ENTRIES.outcome.schema, [entry], (path) => fields[path] ?? path)) return
  job.session.record('outcome', [entry])
  await beginAnew()
}
const recorded = computed(() => ofKind(job.entriesOfBlade.value, 'outcome').toReversed())
const retract = (id: string) => void job.session.record('remove an outcome', [], [id])
</script>

<template>
  <SheetPane labelledby="held">
    <h2 id="held" class="text-lg font-semibold">How did the edge hold?</h2>
    <p v-if="!isPut" class="mt-1 text-toned">
      After use, record here whether it rolled, chipped, got dull or still cuts: also months later, and from a phone.
    </p>
    <form v-else class="mt-2 space-y-3" aria-label="How the edge held" @submit.prevent="record">
      <URadioGroup v-model="form.outcome" legend="After use" :items="outcomes" size="xl" data-focus="outcome" />
      <ZonePresses
        v-if="hasPlace"
        v-model="form.zones"
        :finds="form.outcome === 'rolled' ? 'It rolled at' : 'It chipped at'"
        none="nowhere pressed: all along"
      />
      <URadioGroup
        v-if="asksForBurr"
        v-model="form.burr"
        legend="Nothing to see: was its burr removed?"
        :items="burrs"
        size="lg"
      />
      <details :open="form.usedFor !== '' || form.count !== '' || form.by !== '' || form.note !== ''">
        <summary class="cursor-pointer py-2 font-medium">For what, how much, who says so</summary>
        <div class="mt-1 grid gap-3 sm:grid-cols-2">
          <UFormField label="Used for" :error="problems.usedFor"
            ><UInput v-model="form.usedFor" size="xl" autocomplete="off" class="w-full"
          /></UFormField>
          <UFormField label="Who says so" :error="problems.by"
            ><UInput v-model="form.by" size="xl" autocomplete="off" class="w-full"
          /></UFormField>
          <UFormField label="How much" help="Days count by themselves." :error="problems.count"
            ><UInput v-model="form.count" size="xl" inputmode="numeric" autocomplete="off" class="w-full"
          /></UFormField>
          <LabelledSelect v-model="form.unit" label="Counted in" :items="units" size="xl" />
        </div>
        <UFormField class="mt-3" label="Note" :error="problems.note"
          ><UInput v-model="form.note" size="xl" autocomplete="off" class="w-full"
        /></UFormField>
        <p class="mt-2 text-sm text-muted">
          Pictures are kept with
          <NuxtLink class="text-link" :to="sheetPath(job.id, 'blade')">the blade</NuxtLink>.
        </p>
      </details>
      <UButton type="submit" size="xl" color="neutral" variant="outline" label="Record the outcome" />
    </form>
    <ul v-if="recorded.length > 0" class="mt-3" data-testid="outcomes">
      <NotedRow
        v-for="entry in recorded"
        :key="entry.id"
        :what="OUTCOME_WORD[entry.outcome]"
        @retract="retract(entry.id)"
      >
        <span class="min-w-0 flex-1 wrap-anywhere"
          ><b>{{ OUTCOME_WORD[entry.outcome] }}</b> {{ outcomeDetails(entry) }}
          <span class="block text-sm text-muted">{{ momentText(entry.at) }}</span></span
        >
      </NotedRow>
    </ul>
  </SheetPane>
</template>
